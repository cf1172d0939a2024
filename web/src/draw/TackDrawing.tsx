import { useTheme } from '@mui/material/styles';
import type { Schemas } from '../base/api/client';
import { inchesInWords } from '../base/words/inches';
import { gearWords } from '../base/words/yard';
import { BitMeasures, Label } from './TackMeasures';
import { hasShanks, mouthLine, reach, tackInWords, usual, type Measures } from './tackShape';

interface Props {
  name: string;
  kind: Schemas['GearKind'];
  measures: Measures;
  /** Pixels an inch: the same for pieces that hang side by side. */
  scale: number;
  /** Measures written beside what they measure. */
  measured?: boolean;
}

/** A piece from the front, to scale, made from its measures; what was not measured is dashed. */
export function TackDrawing({ name, kind, measures, scale, measured = false }: Props) {
  const { left, top, width, height } = reach(kind, measures);
  const side = measured ? 2.6 : 0;
  const under = measured ? 0.9 : 0;
  const said = [
    measures.mouth_in && `mouthpiece ${inchesInWords(measures.mouth_in)} wide`,
    measures.port_in && `port ${inchesInWords(measures.port_in)}`,
    measures.purchase_in && `purchase ${inchesInWords(measures.purchase_in)}`,
    measures.shank_in && `shank ${inchesInWords(measures.shank_in)}`,
    measures.ring_in && `rings ${inchesInWords(measures.ring_in)}`,
    measures.bosal_in && `${inchesInWords(measures.bosal_in)} thick`,
  ];
  return (
    <svg
      width={(width + 2 * side) * scale}
      height={(height + under) * scale}
      viewBox={`${left - side} ${top} ${width + 2 * side} ${height + under}`}
      style={{ maxWidth: '100%', height: 'auto', display: 'block' }}
      role="img"
      aria-label={tackInWords(name, gearWords[kind], said)}
    >
      {kind === 'bosal' && <Bosal thick={measures.bosal_in} />}
      {kind === 'two_rein' && (
        <>
          <Bosal thick={measures.bosal_in ?? 0.375} />
          <g transform="translate(0 6.4) scale(0.62)">
            <Bit measures={{ ...measures, mouth_in: measures.mouth_in ?? usual.mouth }} />
          </g>
        </>
      )}
      {kind === 'halter' && <Halter />}
      {(kind === 'snaffle' || kind === 'shank') && <Bit measures={measures} />}
      {measured && (kind === 'snaffle' || kind === 'shank') && <BitMeasures measures={measures} />}
      {measured && kind === 'bosal' && measures.bosal_in != null && (
        <Label x={3.4} y={4.4} text={inchesInWords(measures.bosal_in)} from={[2.9, 4.4]} />
      )}
    </svg>
  );
}

function Bit({ measures }: { measures: Measures }) {
  const { leather } = useTheme().palette;
  const bar = measures.bar_in ?? usual.bar;
  const half = (measures.mouth_in ?? usual.mouth) / 2;
  const known = measures.bar_in != null;
  return (
    <g fill="none" strokeLinejoin="round">
      {hasShanks(measures) && <CurbPiece measures={measures} half={half} />}
      {[-1, 1].map((to) =>
        hasShanks(measures) ? (
          <Shank key={to} measures={measures} x={to * half} out={to} />
        ) : (
          <Ring key={to} across={measures.ring_in} x={to * half} out={to} />
        ),
      )}
      <path d={mouthLine(measures)} stroke={leather.ink} strokeWidth={bar} strokeLinecap="round" />
      <path
        d={mouthLine(measures)}
        stroke={leather.paper}
        strokeWidth={Math.max(bar - 0.12, 0.06)}
        strokeLinecap="round"
      />
      {!known && (
        <path
          d={mouthLine(measures)}
          stroke={leather.ink}
          strokeWidth={0.04}
          strokeDasharray=".15 .15"
        />
      )}
      {measures.mouthpiece === 'twisted' && (
        <path
          d={mouthLine(measures)}
          stroke={leather.ink}
          strokeWidth={bar}
          strokeDasharray=".07 .2"
        />
      )}
      {measures.mouthpiece === 'jointed' && (
        <g stroke={leather.ink} strokeWidth={0.13}>
          <circle cx={-0.14} cy={0.45} r={0.24} fill={leather.paper} />
          <circle cx={0.16} cy={0.45} r={0.24} />
        </g>
      )}
    </g>
  );
}

/** A shank from the front, swung out a little, with its three rings where they are. */
function Shank({ measures, x, out }: { measures: Measures; x: number; out: number }) {
  const { leather } = useTheme().palette;
  const up = -(measures.purchase_in ?? 0);
  const down = measures.shank_in ?? 0;
  const swung = out * 0.35;
  const overall = measures.overall_in ?? down - up;
  const beyond = Math.max(0, (overall - (down - up)) / 2);
  return (
    <g stroke={leather.ink}>
      <path
        d={`M ${x} ${up - beyond} L ${x} 0 Q ${x} ${down * 0.6} ${x + swung} ${down + beyond}`}
        strokeWidth={0.34}
        strokeLinecap="round"
      />
      <circle cx={x} cy={up} r={0.38} strokeWidth={0.15} fill={leather.paper} />
      <circle cx={x + swung} cy={down} r={0.5} strokeWidth={0.17} fill={leather.paper} />
      <circle
        cx={x}
        cy={0}
        r={0.36}
        fill={measures.cheek === 'loose_shank' ? leather.paper : leather.ink}
        strokeWidth={0.12}
      />
    </g>
  );
}

function Ring({ across, x, out }: { across: number | null | undefined; x: number; out: number }) {
  const { leather } = useTheme().palette;
  const ring = across ?? usual.ring;
  return (
    <circle
      cx={x + out * (ring / 2 - 0.1)}
      cy={0}
      r={ring / 2}
      stroke={leather.ink}
      strokeWidth={0.2}
      strokeDasharray={across == null ? '.35 .25' : undefined}
    />
  );
}

/** Strap or chain, from curb ring to curb ring behind the mouthpiece. */
function CurbPiece({ measures, half }: { measures: Measures; half: number }) {
  const { leather } = useTheme().palette;
  if (!measures.curb) return null;
  const up = -(measures.purchase_in ?? 0);
  const width = measures.curb_width_in ?? usual.strap;
  const path = `M ${-half} ${up} Q 0 ${up + 3.4} ${half} ${up}`;
  if (measures.curb === 'chain')
    return (
      <>
        <path
          d={path}
          stroke={leather.faded}
          strokeWidth={width}
          strokeDasharray=".05 .3"
          strokeLinecap="round"
        />
        <path d={path} stroke={leather.faded} strokeWidth={0.1} />
      </>
    );
  return (
    <>
      <path d={path} stroke={leather.leather} strokeWidth={width} opacity={0.45} />
      <path d={path} stroke={leather.onLeather} strokeWidth={0.05} strokeDasharray=".18 .18" />
    </>
  );
}

/** Nose button on top, cheeks, heel knot below. */
function Bosal({ thick }: { thick: number | null | undefined }) {
  const { leather } = useTheme().palette;
  const width = thick ?? usual.bosal;
  const loop = 'M 0 0.2 C 3.4 0.4 3.3 5 0.5 9 L -0.5 9 C -3.3 5 -3.4 0.4 0 0.2 Z';
  return (
    <g fill="none">
      <path d={loop} stroke={leather.ink} strokeWidth={width} strokeLinejoin="round" />
      <path
        d={loop}
        stroke={leather.paper}
        strokeWidth={Math.max(width - 0.14, 0.05)}
        strokeDasharray={thick == null ? '.2 .3' : '.16 .1'}
      />
      <path
        d="M -1.5 0.55 Q 0 -0.05 1.5 0.55"
        stroke={leather.leather}
        strokeWidth={width + 0.25}
        strokeLinecap="round"
      />
      <circle
        cx={0}
        cy={9.4}
        r={0.55 + width / 3}
        fill={leather.leather}
        stroke={leather.ink}
        strokeWidth={0.1}
      />
    </g>
  );
}

function Halter() {
  const { leather } = useTheme().palette;
  return (
    <g fill="none" stroke={leather.ink} strokeWidth={0.28} strokeLinecap="round">
      <path d="M -2.2 0.2 Q 0 -0.8 2.2 0.2 L 2.6 4 Q 0 5 -2.6 4 Z" />
      <path d="M -2.6 4 Q -1.6 8.6 0 9.2 Q 1.6 8.6 2.6 4 M 0 9.2 L 0 10.3" />
      {[
        [-2.6, 4],
        [2.6, 4],
        [-2.2, 0.2],
        [2.2, 0.2],
      ].map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={0.3} fill={leather.leather} strokeWidth={0.1} />
      ))}
      <circle cx={0} cy={9.2} r={0.45} fill={leather.leather} strokeWidth={0.1} />
    </g>
  );
}

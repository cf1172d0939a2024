import { useTheme } from '@mui/material/styles';
import { inchesInWords } from '../base/words/inches';
import { hasShanks, usual, type Measures } from './tackShape';

interface LabelProps {
  x: number;
  y: number;
  text: string;
  from?: [number, number];
  end?: boolean;
}

/** A measure with a line to what it measures. */
export function Label({ x, y, text, from, end = false }: LabelProps) {
  const { leather } = useTheme().palette;
  return (
    <g>
      {from && (
        <line x1={from[0]} y1={from[1]} x2={x} y2={y} stroke={leather.faded} strokeWidth={0.04} />
      )}
      <text
        x={x + (end ? -0.12 : 0.12)}
        y={y + 0.16}
        fontSize={0.46}
        textAnchor={end ? 'end' : 'start'}
        fill={leather.ink}
      >
        {text}
      </text>
    </g>
  );
}

/** What was measured of a bit, beside what it measures. */
export function BitMeasures({ measures }: { measures: Measures }) {
  const half = (measures.mouth_in ?? usual.mouth) / 2;
  const ring = measures.ring_in ?? usual.ring;
  const shanks = hasShanks(measures);
  const right = shanks ? half + 0.75 : half + ring + 0.15;
  const bottom = shanks ? (measures.shank_in ?? 0) + 1.35 : ring / 2 + 0.7;
  const purchase = measures.purchase_in ?? 0;
  const shank = measures.shank_in ?? 0;
  return (
    <>
      {shanks && (
        <>
          <Span at={right} from={-purchase} to={0} text={inchesInWords(purchase)} />
          <Span at={right} from={0} to={shank} text={inchesInWords(shank)} />
        </>
      )}
      {!shanks && measures.ring_in != null && (
        <Label x={right} y={0} text={inchesInWords(measures.ring_in)} />
      )}
      {measures.bar_in != null && (
        <Label
          x={-right - 0.1}
          y={shanks ? 0.9 : ring / 2 - 0.1}
          from={[-half + 1, 0]}
          text={inchesInWords(measures.bar_in)}
          end
        />
      )}
      {measures.mouthpiece === 'ported' && measures.port_in != null && (
        <Label
          x={-right - 0.1}
          y={-measures.port_in}
          from={[-0.2, -measures.port_in]}
          text={inchesInWords(measures.port_in)}
          end
        />
      )}
      {measures.mouth_in != null && (
        <Across at={bottom} half={half} text={inchesInWords(measures.mouth_in)} />
      )}
    </>
  );
}

function Span({ at, from, to, text }: { at: number; from: number; to: number; text: string }) {
  const { leather } = useTheme().palette;
  return (
    <g stroke={leather.faded} strokeWidth={0.05}>
      <path
        d={`M ${at - 0.15} ${from} H ${at + 0.15} M ${at} ${from} V ${to} M ${at - 0.15} ${to} H ${at + 0.15}`}
        fill="none"
      />
      <text
        x={at + 0.25}
        y={(from + to) / 2 + 0.16}
        fontSize={0.46}
        fill={leather.ink}
        stroke="none"
      >
        {text}
      </text>
    </g>
  );
}

function Across({ at, half, text }: { at: number; half: number; text: string }) {
  const { leather } = useTheme().palette;
  return (
    <g stroke={leather.faded} strokeWidth={0.05}>
      <path
        d={`M ${-half} ${at - 0.15} V ${at + 0.15} M ${-half} ${at} H ${half} M ${half} ${at - 0.15} V ${at + 0.15}`}
        fill="none"
      />
      <rect x={-0.9} y={at - 0.3} width={1.8} height={0.6} fill={leather.ground} stroke="none" />
      <text
        x={0}
        y={at + 0.16}
        fontSize={0.46}
        textAnchor="middle"
        fill={leather.ink}
        stroke="none"
      >
        {text}
      </text>
    </g>
  );
}

import { useTheme } from '@mui/material/styles';
import { useState } from 'react';
import { Handle } from './Handle';
import { LayDrawn } from './LayDrawn';
import { put, onFence, type LayDraft } from './layDraft';
import { pathOf, type Feet } from './plan';
import { PlanView } from './PlanView';
import { useFeet } from './size';

interface Props {
  draft: LayDraft;
  onTap: (at: Feet) => void;
  onSlide: (draft: LayDraft) => void;
  onSettle: () => void;
}

const beforeAnything: Feet[] = [
  [0, 0],
  [150, 250],
];

/** The drawing with a handle on all of its marks. */
export function DraftOnPlan({ draft, onTap, onSlide, onSettle }: Props) {
  const { lay, open } = draft;
  // The window stays while somebody draws: a plan that jumps with every tap is no plan.
  const [shows] = useState(() => (lay.outline.length > 2 ? lay.outline : beforeAnything));
  const fits = lay.outline.length > 2 && shows === beforeAnything ? lay.outline : shows;
  const slide = (change: Partial<LayDraft['lay']>) =>
    onSlide({ ...draft, lay: { ...lay, ...change } });
  const handle = (label: string, at: Feet, key: string, onMove: (at: Feet) => void) => (
    <Handle key={key} at={at} label={label} onMove={onMove} onDone={onSettle} />
  );
  return (
    <PlanView shows={fits} label="Plan of the place. Tap to draw." onTap={onTap}>
      {lay.outline.length > 0 && <LayDrawn named lay={lay} measured={lay.outline.length < 16} />}
      {open.length > 0 && <OpenArea points={open} />}
      {lay.outline.map((at, index) =>
        handle(`Corner ${index + 1}`, at, `corner ${index}`, (to) =>
          slide({ outline: put(lay.outline, index, to) }),
        ),
      )}
      {lay.gate &&
        handle('Gate', lay.gate.at, 'gate', (to) =>
          slide({ gate: { ...lay.gate!, at: onFence(to, lay.outline) } }),
        )}
      {(lay.posts ?? []).map((post, index) =>
        handle(post.name, post.at, `post ${index}`, (to) =>
          slide({ posts: put(lay.posts ?? [], index, { ...post, at: to }) }),
        ),
      )}
      {(lay.keep_off ?? []).flatMap((area, which) =>
        area.outline.map((at, index) =>
          handle(
            `Area to keep off ${which + 1}, corner ${index + 1}`,
            at,
            `area ${which} ${index}`,
            (to) =>
              slide({
                keep_off: put(lay.keep_off ?? [], which, {
                  ...area,
                  outline: put(area.outline, index, to),
                }),
              }),
          ),
        ),
      )}
    </PlanView>
  );
}

function OpenArea({ points }: { points: Feet[] }) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  return (
    <g>
      <path
        d={pathOf(points)}
        fill="none"
        stroke={leather.brick}
        strokeWidth={feet(2.5)}
        strokeDasharray={`${feet(6)} ${feet(4)}`}
      />
      {points.map((point, index) => (
        <circle key={index} cx={point[0]} cy={-(point[1] ?? 0)} r={feet(5)} fill={leather.brick} />
      ))}
    </g>
  );
}

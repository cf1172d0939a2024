import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { useId } from 'react';
import { shortDay } from '../base/words/days';
import { percent } from '../base/words/plain';
import { fenceLayout, type FenceAsked, type FenceGoal, type FenceLayout } from './roadFence';
import { textSize } from './textSize';
import { useWidth } from './useWidth';

const flagStep = 26;
const railTop = 42;
const plankStep = 34;
const foot = 26;

/**
 * The road as a fence line: posts for what came to be held, the gate of today, the deciding
 * chain as the top rail, under it a plank for each date, as long as the days are unsure.
 */
export function RoadFence({
  width: fixed,
  ...asked
}: Omit<FenceAsked, 'width'> & {
  /** Drawn so wide, for paper; as wide as there is room where left out. */
  width?: number;
}) {
  const { leather } = useTheme().palette;
  const hatch = useId();
  const [ref, found] = useWidth<HTMLDivElement>();
  const width = fixed ?? found;
  const edge = 6;
  const laid = fenceLayout({ ...asked, width: Math.max(0, width - 2 * edge) });
  const flags = 8 + laid.goals.length * flagStep;
  const rail = flags + railTop;
  const ground = rail + 26 + laid.goals.length * plankStep;
  const said = inWords(laid);
  return (
    <Box ref={ref}>
      {width > 0 && (
        <svg
          width={width}
          height={ground + foot}
          viewBox={`${-edge} 0 ${width} ${ground + foot}`}
          role="img"
          aria-label={said}
        >
          <title>{said}</title>
          <pattern
            id={hatch}
            width={7}
            height={7}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width={7} height={7} fill={leather.paper} />
            <rect width={3} height={7} fill={leather.leather} />
          </pattern>
          <Ground laid={laid} y={ground} width={width - 2 * edge} />
          <Behind laid={laid} rail={rail} ground={ground} />
          <Chain laid={laid} y={rail} />
          {laid.goals.map((goal, index) => (
            <Plank
              key={`${goal.day} ${goal.name}`}
              goal={goal}
              y={rail + 26 + index * plankStep}
              fill={`url(#${hatch})`}
            />
          ))}
          {laid.goals.map((goal, index) => (
            <GoalPost
              key={`${goal.day} ${goal.name}`}
              goal={goal}
              flag={8 + index * flagStep}
              ground={ground}
              width={width - 2 * edge}
            />
          ))}
        </svg>
      )}
    </Box>
  );
}

function Ground({ laid, y, width }: { laid: FenceLayout; y: number; width: number }) {
  const { leather } = useTheme().palette;
  const every = laid.months.length > width / 60 ? 2 : 1;
  return (
    <>
      <line x1={0} x2={width} y1={y} y2={y} stroke={leather.ink} strokeWidth={2} />
      {laid.months.map(({ x, day }, index) => (
        <g key={day}>
          <line x1={x} x2={x} y1={y} y2={y + 6} stroke={leather.ink} strokeWidth={1.5} />
          {index % every === 0 && x < width - 36 && (
            <text x={x + 3} y={y + 20} fontSize={textSize(14)} fill={leather.ink}>
              {shortDay(day)}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

/** What really happened: three rails, and a post for each day on which something was held. */
function Behind({ laid, rail, ground }: { laid: FenceLayout; rail: number; ground: number }) {
  const { leather } = useTheme().palette;
  const third = (ground - rail) / 3;
  return (
    <>
      {[0, 1, 2].map((index) => (
        <line
          key={index}
          x1={0}
          x2={laid.today}
          y1={rail + index * third}
          y2={rail + index * third}
          stroke={leather.leather}
          strokeWidth={index === 0 ? 5 : 2}
        />
      ))}
      {laid.posts.map(({ x, day, levels }) => (
        <g key={day}>
          <rect
            x={x - 3}
            y={rail - 8}
            width={6}
            height={ground - rail + 8}
            fill={leather.leather}
            stroke={leather.ink}
            strokeWidth={1}
          />
          {levels.length > 1 && (
            <text
              // Clear of the gate of today, right beside which a post may stand.
              x={Math.min(x, laid.today - 18)}
              y={rail - 13}
              fontSize={textSize(14)}
              fontWeight={700}
              textAnchor="middle"
              fill={leather.ink}
            >
              {levels.length}
            </text>
          )}
        </g>
      ))}
      <rect
        x={laid.today - 6}
        y={rail - 16}
        width={12}
        height={ground - rail + 16}
        fill={leather.ink}
      />
      <text
        x={laid.today - 6}
        y={rail - 22}
        fontSize={textSize(15)}
        fontWeight={700}
        fill={leather.ink}
      >
        today
      </text>
    </>
  );
}

/** The deciding chain: the thicker, the more often it decides; a nail where a level is held. */
function Chain({ laid, y }: { laid: FenceLayout; y: number }) {
  const { leather } = useTheme().palette;
  return (
    <>
      {laid.chain.map(({ name, left, right, share }) => (
        <line
          key={name}
          x1={left}
          x2={right}
          y1={y}
          y2={y}
          stroke={leather.ink}
          strokeWidth={4 + 10 * share}
        />
      ))}
      {laid.chain.map(({ name, nail }, index) => (
        <g key={name}>
          <circle
            cx={nail}
            cy={y}
            r={11}
            fill={leather.paper}
            stroke={leather.ink}
            strokeWidth={2}
          />
          <text
            x={nail}
            y={y + 5}
            fontSize={textSize(14)}
            fontWeight={700}
            textAnchor="middle"
            fill={leather.ink}
          >
            {index + 1}
          </text>
        </g>
      ))}
    </>
  );
}

/** The days a goal may come on: from one in ten to nine in ten, a nail in the middle. */
function Plank({ goal, y, fill }: { goal: FenceGoal; y: number; fill: string }) {
  const { leather } = useTheme().palette;
  const { left, right, open, median } = goal;
  const end = open
    ? `L ${right} ${y} l -5 5 l 5 5 l -5 5 l 5 5`
    : `L ${right} ${y} L ${right} ${y + 20}`;
  return (
    <>
      <path
        d={`M ${left} ${y + 20} L ${left} ${y} ${end} Z`}
        fill={fill}
        stroke={leather.ink}
        strokeWidth={2}
      />
      {median !== null && (
        <line x1={median} x2={median} y1={y - 4} y2={y + 24} stroke={leather.ink} strokeWidth={4} />
      )}
    </>
  );
}

function GoalPost({
  goal,
  flag,
  ground,
  width,
}: {
  goal: FenceGoal;
  flag: number;
  ground: number;
  width: number;
}) {
  const { leather } = useTheme().palette;
  const text = `${goal.name}, ${shortDay(goal.day)}`;
  const needs = 9 + 9.5 * text.length;
  const [x, anchor] =
    goal.x + needs < width
      ? ([goal.x + 9, 'start'] as const)
      : goal.x > needs
        ? ([goal.x - 9, 'end'] as const)
        : // Room on neither side: along the edge, over the post.
          ([width, 'end'] as const);
  return (
    <>
      <line
        x1={goal.x}
        x2={goal.x}
        y1={flag}
        y2={ground}
        stroke={leather.ink}
        strokeWidth={4}
        strokeDasharray={goal.atRisk ? '9 5' : undefined}
      />
      <text
        x={x}
        y={flag + 14}
        fontSize={textSize(16)}
        fontWeight={700}
        textAnchor={anchor}
        stroke={leather.ground}
        strokeWidth={4}
        paintOrder="stroke"
        fill={leather.ink}
      >
        {text}
      </text>
    </>
  );
}

const inWords = ({ posts, goals, chain }: FenceLayout) =>
  [
    `The road. Behind today ${posts.reduce((sum, { levels }) => sum + levels.length, 0)} levels came to be held.`,
    ...goals.map(({ name, day, chance }) => `${name}, ${shortDay(day)}: ${percent(chance)}.`),
    chain.length > 0
      ? `What decides: ${chain.map(({ name }, index) => `${index + 1} ${name}`).join(', ')}.`
      : '',
  ].join(' ');

import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { useQuery } from '@tanstack/react-query';
import Typography from '@mui/material/Typography';
import { cloverleafInput } from '../../ground/barrelDraft';
import { BarrelsDrawn } from '../../ground/BarrelsDrawn';
import { LayDrawn } from '../../ground/LayDrawn';
import { drawn, pathOf } from '../../ground/plan';
import { PlanView } from '../../ground/PlanView';
import { layQuery, type Course } from '../../data/ground';
import { useFeet } from '../../ground/size';
import { useLive } from '../../base/core/useLive';
import { lengthsInWords } from '../../base/words/units';
import type { Said } from './TapeFigures';

interface Props {
  course: Course;
  way: NonNullable<Said['on_ground']>;
}

/** The horse's way as it was filmed, over the way that was planned. */
export function WayOnPlan({ course, way }: Props) {
  const lay = useQuery(layQuery(course.place_id));
  const plan = course.plan.kind === 'barrels' ? course.plan : undefined;
  const planned = useLive('cloverleaf', plan ? cloverleafInput(plan, null) : null);
  const points = way.way.map(({ ground }) => ground);
  return (
    <Box component="section" aria-label="The way on the plan">
      <PlanView
        shows={[...(planned.output?.points ?? []), ...points]}
        label="The filmed way over the planned one"
        height={640}
      >
        {lay.data && <LayDrawn lay={lay.data} />}
        {planned.output && <BarrelsDrawn ridden={planned.output} faded />}
        <Way points={points} />
      </PlanView>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Dashed: as planned. Whole, with a dot for each frame that was tapped: as it was filmed,{' '}
        {lengthsInWords([Math.round(way.length_ft)])} in all.
      </Typography>
    </Box>
  );
}

function Way({ points }: { points: number[][] }) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  return (
    <g data-testid="filmed way">
      <path
        d={pathOf(points)}
        fill="none"
        stroke={leather.water}
        strokeWidth={feet(3)}
        strokeLinejoin="round"
      />
      {points.map((point, index) => {
        const { x, y } = drawn(point);
        return <circle key={index} cx={x} cy={y} r={feet(3.5)} fill={leather.water} />;
      })}
    </g>
  );
}

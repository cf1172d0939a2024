import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { plainTable } from '../shell/plainTable';
import { useLive } from '../base/core/useLive';
import { lengthsInWords } from '../base/words/units';
import { cloverleafInput, newBarrels } from './barrelDraft';
import { BarrelsDrawn } from './BarrelsDrawn';
import { LayDrawn } from './LayDrawn';
import { PlanView } from './PlanView';
import { layQuery, type BarrelPlan, type Course, type RunsOfHorse } from '../data/ground';

interface Props {
  run: RunsOfHorse['runs'][number];
  courses: Course[];
}

/** The pockets that were felt, over those that were planned. */
export function FeltOnPlan({ run: { run }, courses }: Props) {
  const course = courses.find(({ course_id }) => course_id === run.course_id);
  const lay = useQuery({ ...layQuery(course?.place_id ?? ''), enabled: course !== undefined });
  const plan: BarrelPlan = course?.plan.kind === 'barrels' ? course.plan : newBarrels(null);
  const planned = useLive(
    'cloverleaf',
    cloverleafInput(withPockets(plan, run, 'planned_ft'), null),
  );
  const felt = useLive('cloverleaf', cloverleafInput(withPockets(plan, run, 'pocket_ft'), null));
  const shows = felt.output?.points ?? planned.output?.points ?? [];
  return (
    <Box component="section" aria-label="Pockets on the plan">
      <PlanView shows={shows} label="Felt pockets over the plan" height={520}>
        {lay.data && <LayDrawn lay={lay.data} />}
        {planned.output && <BarrelsDrawn ridden={planned.output} faded />}
        {felt.output && <BarrelsDrawn ridden={felt.output} />}
      </PlanView>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Dashed: as planned. Whole: as it was felt.
        {!course && ' On the standard course, as no course was named.'}
      </Typography>
      <Box component="table" sx={{ ...plainTable, width: '100%', mt: 1 }}>
        <caption style={{ textAlign: 'left', fontWeight: 700 }}>In, back, out</caption>
        <thead>
          <tr>
            <th scope="col">Barrel</th>
            <th scope="col">Planned</th>
            <th scope="col">Felt</th>
            <th scope="col">Otherwise</th>
          </tr>
        </thead>
        <tbody>
          {run.barrels.map((barrel, index) => (
            <tr key={index}>
              <th scope="row">{index + 1}</th>
              <td>{lengthsInWords(barrel.planned_ft)}</td>
              <td>{lengthsInWords(barrel.pocket_ft)}</td>
              <td>
                {[
                  barrel.tipped && 'tipped',
                  !barrel.right_lead && 'wrong lead',
                  !barrel.shape_held && 'lost its shape',
                  barrel.stepped_off && 'stepped off',
                ]
                  .filter(Boolean)
                  .join(', ')}
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

/** A pocket that was felt as nothing is drawn as the least a course can have. */
const withPockets = (
  plan: BarrelPlan,
  run: Props['run']['run'],
  of: 'planned_ft' | 'pocket_ft',
): BarrelPlan => ({
  ...plan,
  pockets: run.barrels.map((barrel) => barrel[of].map((feet) => Math.max(1, Math.min(20, feet)))),
});

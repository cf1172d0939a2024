import { useLive } from '../base/core/useLive';
import { cloverleafInput } from './barrelDraft';
import { BarrelsDrawn } from './BarrelsDrawn';
import { DrillDrawn } from './DrillDrawn';
import type { BarrelPlan, Course, DrillPlan, Lay } from '../data/ground';

/** A course as it lies, without handles. */
export function CourseOnPlan({ course, lay }: { course: Course; lay: Lay }) {
  const { plan } = course;
  if (plan.kind === 'barrels') return <Barrels plan={plan} lay={lay} />;
  if (plan.kind === 'drill') return <OneDrill plan={plan} />;
  return null;
}

function Barrels({ plan, lay }: { plan: BarrelPlan; lay: Lay }) {
  const { output } = useLive('cloverleaf', cloverleafInput(plan, lay));
  return output ? <BarrelsDrawn ridden={output} /> : null;
}

function OneDrill({ plan }: { plan: DrillPlan }) {
  const { drill, size_ft, first: side, laps, placing } = plan;
  const { output } = useLive('drill', { plan: { drill, size_ft, first: side, laps, placing } });
  return output ? <DrillDrawn said={output} /> : null;
}

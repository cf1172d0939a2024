import { turned, type Feet } from './plan';
import { Handle } from './Handle';
import { placed, withBarrel, type Ridden } from './barrelDraft';
import type { BarrelPlan } from '../data/ground';
import { useFeet } from './size';

interface Props {
  plan: BarrelPlan;
  ridden?: Ridden;
  /** The barrel that is seen from near by. */
  picked: number;
  onPick: (barrel: number) => void;
  onSlide: (plan: BarrelPlan) => void;
  onSettle: () => void;
}

/** What can be dragged: the whole course, its turn, each barrel. */
export function BarrelHandles({ plan, ridden, picked, onPick, onSlide, onSettle }: Props) {
  const feet = useFeet();
  const { origin, rotation_deg: turn = 0 } = plan.placing;
  const right = turned([1, 0], turn);
  const beside: Feet = [origin[0]! + right[0]! * feet(46), origin[1]! + right[1]! * feet(46)];
  const measured = ridden?.by_measures ?? [];
  const barrels = measured.map((at, index) => {
    const way = plan.moved?.[index] ?? [0, 0];
    return placed(plan, [at[0]! + way[0]!, at[1]! + way[1]!]);
  });
  const put = (placing: Partial<BarrelPlan['placing']>) =>
    onSlide({ ...plan, placing: { ...plan.placing, ...placing } });
  return (
    <>
      <Handle
        at={origin}
        label="Move the whole course"
        shape="square"
        onMove={(at) => put({ origin: at })}
        onDone={onSettle}
      />
      <Handle
        at={beside}
        label="Turn the whole course"
        shape="turn"
        onMove={(at) => {
          const [dx, dy] = [at[0]! - origin[0]!, at[1]! - origin[1]!];
          if (Math.hypot(dx, dy) < 0.5) return;
          put({ rotation_deg: Math.round((Math.atan2(dy, dx) * 180) / Math.PI) });
        }}
        onDone={onSettle}
      />
      {barrels.map((at, index) => (
        <Handle
          key={index}
          at={at}
          label={`Barrel ${index + 1}`}
          shape="ring"
          pressed={picked === index}
          onPress={() => onPick(index)}
          onMove={(to) => onSlide(withBarrel(plan, index, measured[index]!, to))}
          onDone={onSettle}
        />
      ))}
    </>
  );
}

import { Handle } from './Handle';
import { turned, type Feet } from './plan';
import { useFeet } from './size';

interface Placing {
  origin: Feet;
  rotation_deg?: number;
}

interface Props {
  placing: Placing;
  what: string;
  onSlide: (placing: Placing) => void;
  onSettle: () => void;
}

/** Moves something as a whole, and turns it. */
export function PlacingHandles({ placing, what, onSlide, onSettle }: Props) {
  const feet = useFeet();
  const { origin, rotation_deg: turn = 0 } = placing;
  const right = turned([1, 0], turn);
  const beside: Feet = [origin[0]! + right[0]! * feet(46), origin[1]! + right[1]! * feet(46)];
  return (
    <>
      <Handle
        at={origin}
        label={`Move the whole ${what}`}
        shape="square"
        onMove={(at) => onSlide({ ...placing, origin: at })}
        onDone={onSettle}
      />
      <Handle
        at={beside}
        label={`Turn the whole ${what}`}
        shape="turn"
        onMove={(at) => {
          const [dx, dy] = [at[0]! - origin[0]!, at[1]! - origin[1]!];
          if (Math.hypot(dx, dy) < 0.5) return;
          onSlide({ ...placing, rotation_deg: Math.round((Math.atan2(dy, dx) * 180) / Math.PI) });
        }}
        onDone={onSettle}
      />
    </>
  );
}

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { FormSelect } from '../../base/form/FormSelect';
import { OneSlider } from '../../shell/OneSlider';
import { LayDrawn } from '../../ground/LayDrawn';
import { drawn, pathOf, type Feet } from '../../ground/plan';
import { PlanView } from '../../ground/PlanView';
import { layQuery, type Lay } from '../../data/ground';
import { useFeet } from '../../ground/size';
import { Tip } from '../../help/Tip';
import { placesQuery } from '../../data/yard';
import { inTheMiddle, laid } from './onPlan';
import type { Track } from './track';

/** The track over the plan of a place, turned and moved by hand until it lies as it was ridden. */
export function TrackOnPlan({ track }: { track: Track }) {
  const places = useQuery(placesQuery);
  const here = (places.data ?? []).filter(({ put_away_at }) => put_away_at == null);
  const [placeId, setPlaceId] = useState<string>();
  const place = placeId ?? here[0]?.place_id ?? '';
  const lay = useQuery({ ...layQuery(place), enabled: place !== '' });
  if (here.length === 0) return <Alone track={track} />;
  return (
    <Box component="section" aria-label="On the plan" sx={{ mt: 2 }}>
      <Box sx={{ maxWidth: 320, mb: 1 }}>
        <FormSelect
          label="Ridden in"
          value={place}
          of={here.map((one) => [one.place_id, one.name])}
          onPick={setPlaceId}
        />
      </Box>
      {lay.data ? <Over key={place} track={track} lay={lay.data} /> : <Alone track={track} />}
    </Box>
  );
}

function Over({ track, lay }: { track: Track; lay: Lay }) {
  const points = track.way;
  const [turned, setTurned] = useState(0);
  const [at, setAt] = useState<Feet>();
  const placed = at ? { at: at, turned } : inTheMiddle(points, lay.outline, turned);
  return (
    <>
      <PlanView shows={lay.outline} label="The track over the plan" height={560} onTap={setAt}>
        <LayDrawn lay={lay} />
        <Way points={laid(points, placed)} />
      </PlanView>
      <OneSlider
        label="Turn the track"
        said={`Turned by ${turned} degrees`}
        note="a plan's up is seldom north"
        min={-180}
        max={180}
        step={1}
        value={turned}
        onChange={(_, value) => setTurned(value)}
      />
      <Typography variant="body2">
        Tap the plan where the ride began. The dot is its first point; a watch is off by a few feet.
      </Typography>
      <Tip of="plan" />
    </>
  );
}

function Alone({ track }: { track: Track }) {
  const points = track.way;
  return (
    <>
      <PlanView shows={points} label="The track, north up" height={480}>
        <Way points={points} />
      </PlanView>
      <Typography variant="body2">
        Draw the place, under Yard, and the track is laid over its plan.
      </Typography>
    </>
  );
}

function Way({ points }: { points: number[][] }) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const first = points[0] && drawn(points[0]);
  return (
    <g data-testid="track">
      <path
        d={pathOf(points)}
        fill="none"
        stroke={leather.water}
        strokeWidth={feet(2)}
        strokeLinejoin="round"
      />
      {first && <circle cx={first.x} cy={first.y} r={feet(6)} fill={leather.brick} />}
    </g>
  );
}

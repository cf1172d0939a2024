import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { KeyboardEvent } from 'react';
import { Link } from 'react-router';
import type { Draft } from './draft';
import type { Instance, PlannedRide, Rules } from '../../data/week';
import { RideTag } from './RideTag';

interface Props {
  horse: Instance['horses'][number];
  instance: Instance;
  draft: Draft;
  stands: PlannedRide[];
  begun: PlannedRide[];
  rules: Rules | undefined;
  arranges: boolean;
  held: number | undefined;
  onPick: (index: number) => void;
  onKey: (index: number, event: KeyboardEvent) => void;
  onLeave: () => void;
}

const same = (one: PlannedRide) => (other: PlannedRide) =>
  JSON.stringify(Object.entries(one).sort()) === JSON.stringify(Object.entries(other).sort());

/** A horse's week: a rope from day to day, a tag for each ride. */
export function HorseRope(props: Props) {
  const { horse, instance, draft, stands, begun, rules, arranges } = props;
  const own = draft
    .map((taken, index) => ({ taken, index }))
    .filter(({ taken }) => taken.ride.horse_id === horse.horse_id);
  const wanted = horse.wanted ?? 0;
  const broken = new Set(rules?.broken.flatMap((one) => (one.broken.hard ? one.rides : [])));
  return (
    <tr>
      <Box
        component="th"
        scope="row"
        sx={{
          fontWeight: 400,
          position: 'sticky',
          left: 0,
          bgcolor: 'background.default',
          zIndex: 4,
          '@media print': { bgcolor: 'transparent', position: 'static' },
        }}
      >
        <Typography
          component={Link}
          to={`/horses/${horse.horse_id}`}
          variant="h3"
          sx={{ fontSize: '1.05rem', color: 'text.primary', display: 'block' }}
        >
          {horse.name}
        </Typography>
        <Typography component="span" variant="body2">
          {own.length} of {wanted}
          {own.length < wanted ? `, ${wanted - own.length} short` : ''}
        </Typography>
      </Box>
      {instance.days.map(({ date }, day) => (
        <Box
          component="td"
          key={date}
          sx={{
            // The rope.
            backgroundImage: 'linear-gradient(currentColor, currentColor)',
            backgroundSize: '100% 2px',
            backgroundRepeat: 'no-repeat',
            backgroundPosition: '0 10px',
            minHeight: 56,
          }}
        >
          <Box sx={{ display: 'grid', gap: 0.5, minHeight: 52 }}>
            {own
              .filter(({ taken }) => taken.ride.day === day)
              .map(({ taken, index }) => (
                <RideTag
                  key={index}
                  instance={instance}
                  taken={taken}
                  index={index}
                  movable={arranges && !begun.some(same(taken.ride))}
                  begun={begun.some(same(taken.ride))}
                  trouble={broken.has(index)}
                  isNew={!stands.some(same(taken.ride))}
                  held={props.held === index}
                  onPick={props.onPick}
                  onKey={props.onKey}
                  onLeave={props.onLeave}
                />
              ))}
          </Box>
        </Box>
      ))}
    </tr>
  );
}

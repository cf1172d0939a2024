import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Section } from '../../shell/Section';
import { count } from '../../base/words/plain';
import type { HorseRoad } from '../../data/road';

/** What the road rests on: the barn's pace level by level, and how quick the horse is. */
export function RestsOn({ road, text }: { road: HorseRoad; text: string }) {
  const { horse_pace, pace } = road;
  return (
    <Section title="What it rests on">
      <Typography>{text}</Typography>
      {horse_pace && <Typography>{ownPace(road.horse.name, horse_pace)}</Typography>}
      {pace.length > 0 && (
        <Box component="details" sx={{ mt: 1 }}>
          <Box component="summary" sx={{ cursor: 'pointer', py: 1, minHeight: 44 }}>
            Rides from the first ask to held, level by level
          </Box>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {pace.map(({ level, name, from, median, to, horses, under_way }) => (
              <Typography component="li" key={`${level.skill}/${level.rung}`}>
                {name}: {count(median, 'ride')} (half of them {from} to {to}),{' '}
                {horses === 0
                  ? 'the shipped pace'
                  : `from ${count(horses, 'horse')} here${
                      under_way > 0 ? `, ${under_way} under way` : ''
                    }`}
              </Typography>
            ))}
          </Box>
        </Box>
      )}
    </Section>
  );
}

function ownPace(name: string, { factor, levels }: NonNullable<HorseRoad['horse_pace']>): string {
  const of = `, from ${count(levels, 'level')}`;
  if (factor < 0.93) return `${name} has been quicker than the others here${of}.`;
  if (factor > 1.08) return `${name} takes more time than the others here${of}.`;
  return `${name} goes at the pace of the others here${of}.`;
}

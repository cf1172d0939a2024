import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { count } from '../../base/words/plain';
import { said } from './draft';
import type { Instance, Rules } from '../../data/week';

/** Two plans beside each other: what is otherwise, ride by ride, and what each gives up. */
export function Differences({ instance, rules }: { instance: Instance; rules: Rules }) {
  const nameOf = ({ horse_id }: { horse_id: string }) =>
    instance.horses.find((horse) => horse.horse_id === horse_id)?.name ?? 'A horse';
  const changes = rules.changes.toSorted((a, b) => nameOf(a).localeCompare(nameOf(b)));
  if (changes.length === 0) return null;
  const points = rules.score.total - (rules.other_score?.total ?? rules.score.total);
  return (
    <Box component="section" aria-label="What is otherwise" sx={{ my: 2, maxWidth: 820 }}>
      <Typography variant="h2">
        {count(changes.length, 'ride')} otherwise than the plan that stands
      </Typography>
      <Typography>
        {points > 0.5
          ? `Better by ${points.toFixed(0)} points.`
          : points < -0.5
            ? `Worse by ${Math.abs(points).toFixed(0)} points.`
            : 'As good as the plan that stands.'}{' '}
        A ride as usual counts {instance.weights?.ride ?? 100}.
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, my: 1, columns: { md: 2 } }}>
        {changes.map(({ was, is, horse_id }) => {
          const ride = is ?? was;
          if (!ride) return null;
          const name = nameOf({ horse_id });
          return (
            <Typography
              component="li"
              key={`${was && said(instance, was)} ${is && said(instance, is)} ${name}`}
            >
              <strong>{name}</strong>:{' '}
              {was && is
                ? `${said(instance, was)} → ${said(instance, is)}`
                : is
                  ? `new, ${said(instance, is)}`
                  : `gone, ${said(instance, ride)}`}
            </Typography>
          );
        })}
      </Box>
    </Box>
  );
}

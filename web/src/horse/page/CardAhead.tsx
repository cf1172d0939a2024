import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { sideWords } from '../../base/words/answers';
import { dayIn, daysBetween, longDay } from '../../base/words/days';
import type { HorsePage } from '../../data/horse';
import { useRemoveCardBlock } from '../../data/horseChanges';

/** What was put on the cards of today and later. */
export function CardAhead({ page }: { page: HorsePage }) {
  const { records, time_zone } = useWho();
  const remove = useRemoveCardBlock();
  const today = dayIn(time_zone);
  const days = [...new Set(page.card.map((block) => block.day))];
  return days.map((day) => (
    <Section key={day} title={cardName(day, today)}>
      <Box component="ol" sx={{ m: 0, pl: 3 }}>
        {page.card
          .filter((block) => block.day === day)
          .map((block) => (
            <Box component="li" key={block.block_id} sx={{ py: 0.5, maxWidth: 820 }}>
              <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
                <Box sx={{ flex: 1 }}>
                  <Typography sx={{ fontWeight: 700 }}>
                    {block.name}
                    {block.side &&
                      block.side !== 'both' &&
                      `, more on the ${sideWords[block.side].toLowerCase()}`}
                  </Typography>
                  <Typography>{block.text}</Typography>
                </Box>
                {records && (
                  <Button
                    size="small"
                    variant="text"
                    aria-label={`Take off: ${block.name}`}
                    disabled={remove.isPending}
                    onClick={() => remove.mutate(block.block_id)}
                  >
                    Take off
                  </Button>
                )}
              </Box>
            </Box>
          ))}
      </Box>
      {remove.isError && <Typography role="alert">{remove.error.message}</Typography>}
    </Section>
  ));
}

function cardName(day: string, today: string): string {
  const ahead = daysBetween(today, day);
  if (ahead === 0) return "On today's card";
  if (ahead === 1) return "On tomorrow's card";
  return `On the card of ${longDay(day)}`;
}

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { HandWeeks } from '../../draw/HandWeeks';
import { QueryState } from '../../shell/QueryState';
import { Section } from '../../shell/Section';
import { Tip } from '../../help/Tip';
import { handsQuery } from '../../data/tack';

/** How much somebody has in the hand, week by week. */
export function Hands({ personId, name }: { personId: string; name: string }) {
  const hands = useQuery(handsQuery);
  return (
    <Section
      title="Hands"
      intro={`How much ${name} had in the hand, week by week: half of the asks took the filled part or less, one in ten more than the open part.`}
    >
      <QueryState query={hands}>
        {(all) => {
          const own = all.find(({ rider_id }) => rider_id === personId);
          if (!own || own.weeks.length === 0)
            return <Typography>No ask in twelve weeks said how much was in the hand.</Typography>;
          return (
            <>
              {own.says && (
                <Typography
                  role="note"
                  sx={{ borderLeft: '6px solid', pl: 1.5, mb: 2, maxWidth: 640 }}
                >
                  {own.says}
                </Typography>
              )}
              <Box sx={{ maxWidth: 640 }}>
                <HandWeeks name={name} weeks={own.weeks} />
                <Tip of="hands" />
              </Box>
            </>
          );
        }}
      </QueryState>
    </Section>
  );
}

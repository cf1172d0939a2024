import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../base/api/client';
import { calculateAnywhere } from '../../base/core/anywhere';
import { Section } from '../../shell/Section';
import type { RoadInput } from '../../data/road';

interface Props {
  input: RoadInput;
  moving: boolean;
  /** The goal it is about. */
  name?: string;
  onTake: (help: Schemas['RoadHelp']) => void;
}

/** What would help the soonest date most, the most first. */
export function Helps({ input, moving, name, onTake }: Props) {
  const asked = { ...input, with_helps: true };
  const helps = useQuery({
    queryKey: ['roadHelps', asked],
    queryFn: async () => (await calculateAnywhere('road', asked as never)).helps,
    enabled: !moving && input.road.goals.length > 0,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  if (!name) return null;
  return (
    <Section title="What would help" intro={`The chance of ${name} with one thing changed.`}>
      {helps.isPending && <Typography role="status">Trying it out</Typography>}
      {helps.isError && <Typography role="alert">{helps.error.message}</Typography>}
      {helps.data?.length === 0 && (
        <Typography>Nothing that could be changed brings much.</Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 560 }}>
        {helps.data?.map((help) => (
          <Box
            component="li"
            key={`${help.kind} ${help.level?.skill} ${help.level?.rung}`}
            sx={{ display: 'flex', alignItems: 'center', gap: 1.5, py: 0.5 }}
          >
            <Typography sx={{ flex: 1 }}>{help.text}</Typography>
            <Button
              size="small"
              aria-label={`Try: ${help.text}`}
              onClick={() => onTake(help)}
              sx={{ minHeight: 48 }}
            >
              Try it
            </Button>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

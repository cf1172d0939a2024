import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { peopleQuery } from '../../data/people';
import { useWho } from '../../data/who';
import { nobody } from '../../base/words/people';
import type { WhoIsThereAsked } from './useWhoIsThere';

/** As many names as a gloved thumb finds at a glance. */
const most = 4;

/** Who is there, for work that nobody does alone: one tap, in the way of nothing. */
export function WhoIsThere({ asked }: { asked: WhoIsThereAsked }) {
  const { person_id } = useWho();
  const people = useQuery(peopleQuery);
  const others = (people.data ?? []).filter(
    (person) => !person.left_at && person.role !== 'owner' && person.person_id !== person_id,
  );
  const answers = [...others.slice(0, most).map(({ name }) => name), 'Somebody else', nobody];
  return (
    <Box
      component="section"
      aria-label="Who is there?"
      sx={{ px: 1, py: 0.5, borderBottom: '2px solid', borderColor: 'text.primary' }}
    >
      <Typography sx={{ fontWeight: 700, lineHeight: 1.2 }}>{asked.why} Who is there?</Typography>
      <Box sx={{ display: 'flex', gap: 0.75, overflowX: 'auto', mt: 0.5 }}>
        {answers.map((name) => (
          <Button
            key={name}
            onClick={() => void asked.say(name)}
            sx={{ minHeight: 52, flex: '0 0 auto', px: 1.5, color: 'text.primary' }}
          >
            {name.includes(' ') && others.some((one) => one.name === name)
              ? name.split(' ')[0]
              : name}
          </Button>
        ))}
      </Box>
    </Box>
  );
}

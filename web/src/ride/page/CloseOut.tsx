import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { cardPath } from '../../data/card';
import { VerdictMark } from '../../draw/VerdictMark';
import { Chip } from '../../shell/Chip';
import { TextBox } from '../../base/form/TextBox';
import { horsePageQuery } from '../../data/horse';
import { verdictWords } from '../../base/words/answers';
import { endWords, exertionWords, moodWords } from '../../base/words/states';
import type { useChips } from './useChips';

type Chips = ReturnType<typeof useChips>;

const ends = Object.keys(endWords) as Schemas['RideEnd'][];
const exertions = Object.keys(exertionWords) as Schemas['Exertion'][];
const moods = Object.keys(moodWords) as Schemas['Mood'][];

interface Props {
  chips: Chips;
  horseId: string;
  horseName: string;
}

/** How it ended, the mood, how hard it was, one line for next time: a few taps in the alley. */
export function CloseOut({ chips, horseId, horseName }: Props) {
  return (
    <Box component="section" aria-label="Close out" sx={{ mt: 1, mb: 3 }}>
      <Typography variant="h2">Close out</Typography>
      <One
        name="How did it end?"
        all={ends}
        words={endWords}
        said={chips.ended}
        onSay={(ended) => void chips.say({ ended })}
      />
      <One
        name="Mood"
        all={moods}
        words={moodWords}
        said={chips.mood}
        onSay={(mood) => void chips.say({ mood })}
      />
      <One
        name={`How hard was it on ${horseName}?`}
        all={exertions}
        words={exertionWords}
        said={chips.exertion}
        onSay={(exertion) => void chips.say({ exertion })}
      />
      <Line note={chips.note} onSay={(note) => void chips.say({ note })} />
      <NextTime horseId={horseId} />
    </Box>
  );
}

interface OneProps<T extends string> {
  name: string;
  all: T[];
  words: Record<T, string>;
  said: T | null | undefined;
  onSay: (one: T) => void;
}

/** One of a few. */
function One<T extends string>({ name, all, words, said, onSay }: OneProps<T>) {
  return (
    <Box role="group" aria-label={name} sx={{ mt: 1.5 }}>
      <Typography variant="h3">{name}</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 0.75 }}>
        {all.map((one) => (
          <Chip key={one} label={words[one]} on={said === one} onToggle={() => onSay(one)} />
        ))}
      </Box>
    </Box>
  );
}

function Line({ note, onSay }: { note: string; onSay: (note: string) => void }) {
  const [typed, setTyped] = useState<string>();
  const text = typed ?? note;
  return (
    <Box sx={{ display: 'flex', gap: 1, mt: 2, maxWidth: 720, alignItems: 'flex-start' }}>
      <TextBox
        label="One line for next time"
        becomes="NewRide/note"
        value={text}
        onChange={({ target }) => setTyped(target.value)}
        sx={{ flex: 1 }}
      />
      <Button
        disabled={typed === undefined || typed.trim() === note}
        onClick={() => onSay(text.trim())}
        sx={{ minHeight: 56 }}
      >
        {typed !== undefined && typed.trim() === note ? 'Kept' : 'Keep'}
      </Button>
    </Box>
  );
}

/** What comes next with the horse, as it stands after the ride. */
function NextTime({ horseId }: { horseId: string }) {
  const page = useQuery(horsePageQuery(horseId));
  const next = page.data?.next;
  if (!next) return null;
  return (
    <Box sx={{ display: 'flex', gap: 1.5, mt: 2, alignItems: 'center' }}>
      <VerdictMark verdict={next.verdict} size={36} />
      <Typography sx={{ maxWidth: 720 }}>
        <strong>
          Next time, {verdictWords[next.verdict].toLowerCase()}: {next.level.name.toLowerCase()}.
        </strong>{' '}
        {next.text}{' '}
        <Box component={Link} to={cardPath(horseId)} sx={{ color: 'text.primary' }}>
          The card
        </Box>
      </Typography>
    </Box>
  );
}

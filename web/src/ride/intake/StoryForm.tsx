import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../base/api/client';
import type { Pack } from '../../offline/judgeInput';
import { Chip } from '../../shell/Chip';
import { Section } from '../../shell/Section';
import { ladderQuery } from '../../data/ladder';
import { sayIntake } from '../../outbox/intake';
import { goingRide } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { ridePath } from '../../data/ridePath';
import { useWho } from '../../data/who';
import { atHandWords } from '../../base/words/card';
import { dayIn } from '../../base/words/days';
import { toggled } from '../page/toggled';
import { rigWords } from '../../base/words/states';
import { intakeInput, nextAsk } from '../../offline/nextAsk';
import { noStory, type Intake, type Story } from '../../data/intake';

interface Props {
  horse: Schemas['Horse'];
  pack: Pack;
  intake: Intake;
}

const mostDays = 5000;
const minutes = [30, 45, 60];
const allRigs = Object.keys(rigWords) as Schemas['RigKind'][];
const allAtHand = Object.keys(atHandWords) as Schemas['AtHand'][];

/** What the owner says of the horse, what the day has, and the start of the ride. */
export function StoryForm({ horse, pack, intake }: Props) {
  const { db } = useQueue();
  const going = useLiveQuery(() => goingRide(db, horse.horse_id), [db, horse.horse_id]);
  const [story, setStory] = useState<Required<Story>>(() => ({
    ...noStory,
    age_years: pack.day.age_years ?? null,
    at_hand: pack.day.at_hand ?? [],
    ...intake.story,
  }));
  const put = (change: Partial<Story>) => setStory((known) => ({ ...known, ...change }));
  const again = intake.levels.length > 0;
  return (
    <Section title={again ? 'Another ride of the intake' : 'The story, and the ride'}>
      <DaysRidden days={story.days_ridden} onDays={(days_ridden) => put({ days_ridden })} />
      <WorkedOn story={story} put={put} />
      <Group name="Ridden in">
        {allRigs.map((kind) => (
          <Chip
            key={kind}
            label={rigWords[kind]}
            on={(story.ridden_in ?? []).includes(kind)}
            onToggle={() => put({ ridden_in: toggled(story.ridden_in ?? [], kind) })}
          />
        ))}
      </Group>
      <Group name="Today">
        <Chip
          label="Somebody there to help"
          on={story.helper ?? false}
          onToggle={() => put({ helper: !story.helper })}
        />
        {minutes.map((one) => (
          <Chip
            key={one}
            label={`${one} min`}
            on={(story.minutes ?? 45) === one}
            onToggle={() => put({ minutes: one })}
          />
        ))}
        {allAtHand.map((one) => (
          <Chip
            key={one}
            label={atHandWords[one]}
            on={(story.at_hand ?? []).includes(one)}
            onToggle={() => put({ at_hand: toggled(story.at_hand ?? [], one) })}
          />
        ))}
      </Group>
      <Typography sx={{ maxWidth: 760, mb: 2 }}>
        Helmet on, cinch checked twice. First rides are never alone. Stop at any sign of pain and
        have the horse looked at.
      </Typography>
      {going && !going.intake ? (
        <Typography role="note">
          {horse.name} is being ridden. Finish that ride first, then start the intake.
        </Typography>
      ) : (
        <Start horse={horse} pack={pack} story={story} again={again} />
      )}
    </Section>
  );
}

function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <Box role="group" aria-label={name} sx={{ mb: 2 }}>
      <Typography sx={{ fontWeight: 700, mb: 0.5 }}>{name}</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>{children}</Box>
    </Box>
  );
}

interface DaysProps {
  days: number | null | undefined;
  onDays: (days: number | null) => void;
}

function DaysRidden({ days, onDays }: DaysProps) {
  const [typed, setTyped] = useState(days == null ? '' : String(days));
  const number = Number(typed);
  const wrong = typed !== '' && !(Number.isInteger(number) && number >= 0 && number <= mostDays);
  return (
    <TextField
      label="Days ridden, by the owner's story"
      type="number"
      value={typed}
      error={wrong}
      helperText={wrong ? `0 to ${mostDays}, whole days` : 'Leave it empty when nobody knows'}
      onChange={({ target }) => {
        setTyped(target.value);
        const next = Number(target.value);
        if (target.value === '') onDays(null);
        else if (Number.isInteger(next) && next >= 0 && next <= mostDays) onDays(next);
      }}
      sx={{ width: 300, maxWidth: '100%', mb: 2 }}
    />
  );
}

/** The tracks it is said to have been worked on: the jobs, beyond a plain start. */
function WorkedOn({
  story,
  put,
}: {
  story: Required<Story>;
  put: (change: Partial<Story>) => void;
}) {
  const ladder = useQuery(ladderQuery);
  const tracks = ladder.data?.tracks ?? [];
  return (
    <Group name="Said to have worked on">
      {tracks.map(({ id, name }) => (
        <Chip
          key={id}
          label={name}
          on={(story.worked_on ?? []).includes(id)}
          onToggle={() => put({ worked_on: toggled(story.worked_on ?? [], id) })}
        />
      ))}
    </Group>
  );
}

interface StartProps {
  horse: Schemas['Horse'];
  pack: Pack;
  story: Required<Story>;
  again: boolean;
}

function Start({ horse, pack, story, again }: StartProps) {
  const { db, kick } = useQueue();
  const { time_zone } = useWho();
  const navigate = useNavigate();
  const [wrong, setWrong] = useState('');
  const start = async () => {
    const mount = { horseId: horse.horse_id, day: dayIn(time_zone) };
    const told = { story, passed_over: [], hurting: false };
    try {
      const { next, text } = await nextAsk(intakeInput(pack, told, undefined, []));
      if (!next) {
        setWrong(text);
        return;
      }
      await sayIntake(db, mount, (known) => ({ ...(known ?? told), story }));
      kick();
      await navigate(ridePath(horse.horse_id, next.level));
    } catch (error) {
      setWrong(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <>
      <Button
        variant="contained"
        onClick={() => void start()}
        sx={{ minHeight: 64, minWidth: 240, fontSize: '1.2rem' }}
      >
        {again ? 'Start another intake ride' : 'Start the intake ride'}
      </Button>
      {wrong && (
        <Typography role="alert" sx={{ mt: 1 }}>
          {wrong}
        </Typography>
      )}
    </>
  );
}

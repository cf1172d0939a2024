import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { FormFrame } from '../../base/form/FormFrame';
import { FormSelect } from '../../base/form/FormSelect';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { horsesQuery } from '../../data/horse';
import { peopleQuery } from '../../data/people';
import { useWho } from '../../data/who';
import { dayIn, saidDay } from '../../base/words/days';
import { placesQuery } from '../../data/yard';
import { BusyTimes } from './BusyTimes';
import {
  calendarLinksQuery,
  useMakeCalendarLink,
  useRevokeCalendarLink,
} from '../../data/calendars';

type Kind = Schemas['CalendarOf'];

const kinds: [Kind, string][] = [
  ['person', 'A person'],
  ['horse', 'A horse'],
  ['place', 'A place'],
];

/** Calendars out by link, and busy times in. */
export function CalendarsPage() {
  const links = useQuery(calendarLinksQuery);
  return (
    <PageFrame title="Calendars">
      <Typography variant="h1">Calendars</Typography>
      <Typography sx={{ maxWidth: 640, mt: 0.5 }}>
        Subscribe to a link in the calendar of your phone or computer, and the bookings show there.
        Whoever has the link can read them without signing in; take it back when that should end.
      </Typography>
      <NewLink />
      <Section title="Links that work">
        <QueryState query={links}>{(data) => <Links links={data} />}</QueryState>
      </Section>
      <BusyTimes />
    </PageFrame>
  );
}

function NewLink() {
  const make = useMakeCalendarLink();
  const { person_id } = useWho();
  const [kind, setKind] = useState<Kind>('person');
  const [of, setOf] = useState(person_id);
  const people = useQuery(peopleQuery);
  const horses = useQuery(horsesQuery);
  const places = useQuery(placesQuery);
  const choices: Record<Kind, [string, string][]> = {
    person: (people.data ?? [])
      .filter(({ left_at }) => !left_at)
      .map((one) => [one.person_id, one.name]),
    horse: (horses.data ?? []).map((one) => [one.horse_id, one.name]),
    place: (places.data ?? []).map((one) => [one.place_id, one.name]),
  };
  const known = choices[kind].some(([id]) => id === of);
  return (
    <>
      <FormFrame
        label="Make a calendar link"
        save="Make a link"
        saving={make.isPending}
        onSave={() => make.mutate({ kind, of_id: of })}
        wrong={saidOfAll(make.error, ['/of_id'])}
      >
        <FormSelect
          label="Of"
          value={kind}
          of={kinds}
          onPick={(next) => {
            setKind(next);
            setOf('');
          }}
        />
        <FormSelect
          label="Which"
          value={known ? of : ''}
          of={[['', 'Pick one'], ...choices[kind]]}
          onPick={setOf}
          wrong={of ? fieldsOf(make.error)['/of_id'] : undefined}
        />
      </FormFrame>
      {make.data && (
        <Box sx={{ mt: 2, maxWidth: 640 }}>
          <TextField
            fullWidth
            label="Calendar link"
            value={`${location.origin}${make.data.path}`}
            helperText="Shown only now. If it gets lost, make a new one and take this one back."
            slotProps={{ htmlInput: { readOnly: true } }}
            onFocus={(event) => (event.target as HTMLInputElement).select()}
          />
        </Box>
      )}
    </>
  );
}

function Links({ links }: { links: Schemas['CalendarLinkShown'][] }) {
  const revoke = useRevokeCalendarLink();
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  if (links.length === 0) return <Typography>None yet.</Typography>;
  return (
    <Box
      component="ul"
      aria-label="Links that work"
      sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 640 }}
    >
      {links.map(({ link_id, name, made_at }) => (
        <Box
          component="li"
          key={link_id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.75 }}
        >
          <Typography sx={{ flex: 1 }}>
            <strong>{name}</strong>, made {saidDay(dayIn(time_zone, new Date(made_at)), today)}
          </Typography>
          <Button
            disabled={revoke.isPending}
            onClick={() => revoke.mutate(link_id)}
            aria-label={`Take back the link of ${name}`}
          >
            Take back
          </Button>
        </Box>
      ))}
      {revoke.isError && <Typography role="alert">{revoke.error.message}</Typography>}
    </Box>
  );
}

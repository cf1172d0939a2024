import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { FormFrame } from '../../base/form/FormFrame';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { Section } from '../../shell/Section';
import { peopleQuery } from '../../data/people';
import { useWho } from '../../data/who';
import { count } from '../../base/words/plain';
import {
  busyCalendarsQuery,
  useAddBusyCalendar,
  useRemoveBusyCalendar,
} from '../../data/calendars';

/** Busy times out of people's own calendars: the rules of the day know of them. */
export function BusyTimes() {
  const { person_id, decides } = useWho();
  const calendars = useQuery(busyCalendarsQuery);
  const people = useQuery(peopleQuery);
  const remove = useRemoveBusyCalendar();
  const nameOf = (id: string) =>
    people.data?.find((one) => one.person_id === id)?.name ?? 'Somebody';
  return (
    <Section
      title="Busy times"
      intro="Bring in a calendar file (.ics) of your own, and the day shows when you are busy. Only the times are kept, not what they are for."
    >
      {(calendars.data ?? []).map((one) => (
        <Box
          key={one.calendar_id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.5, maxWidth: 640 }}
        >
          <Typography sx={{ flex: 1 }}>
            <strong>{nameOf(one.person_id)}</strong>, {one.name}: {count(one.times, 'time')}
          </Typography>
          {(decides || one.person_id === person_id) && (
            <Button
              disabled={remove.isPending}
              onClick={() => remove.mutate(one.calendar_id)}
              aria-label={`Take out ${one.name} of ${nameOf(one.person_id)}`}
            >
              Take out
            </Button>
          )}
        </Box>
      ))}
      {remove.isError && <Typography role="alert">{remove.error.message}</Typography>}
      <BringIn
        people={(people.data ?? [])
          .filter((one) => !one.left_at && (decides || one.person_id === person_id))
          .map((one) => [one.person_id, one.name])}
      />
    </Section>
  );
}

function BringIn({ people }: { people: [string, string][] }) {
  const { person_id } = useWho();
  const [whose, setWhose] = useState(person_id);
  const [name, setName] = useState('Own calendar');
  const file = useRef<HTMLInputElement>(null);
  const add = useAddBusyCalendar();
  const wrong = fieldsOf(add.error);
  const read = async (chosen: File | undefined) => {
    if (chosen) add.mutate({ person_id: whose, name, text: await chosen.text() });
  };
  return (
    <FormFrame
      label="Bring in a calendar"
      save="Open a calendar file"
      saving={add.isPending}
      onSave={() => file.current?.click()}
      wrong={wrong['/text'] ?? saidOfAll(add.error, ['/name', '/text'])}
    >
      {people.length > 1 && (
        <FormSelect label="Whose" value={whose} of={people} onPick={setWhose} />
      )}
      <FormText
        label="What it is called"
        becomes="NewBusyCalendar/name"
        value={name}
        onText={setName}
        wrong={wrong['/name']}
        helperText="One of the same name is replaced."
      />
      <input
        ref={file}
        type="file"
        hidden
        aria-label="Calendar file"
        accept=".ics,text/calendar"
        onChange={({ target }) => {
          void read(target.files?.[0]);
          target.value = '';
        }}
      />
      {add.data && (
        <Typography role="status">{count(add.data.times, 'busy time')} read.</Typography>
      )}
    </FormFrame>
  );
}

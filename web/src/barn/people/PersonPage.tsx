import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { FormFrame } from '../../base/form/FormFrame';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { dayAndClockIn } from '../../base/words/days';
import { Hands } from './Hands';
import { HoursFields } from './HoursFields';
import { ComeInLink } from './ComeInLink';
import { ClearanceFields, PersonFields, type PersonDraft } from './PersonFields';
import {
  peopleQuery,
  useChangePerson,
  useLeave,
  useMakeLink,
  useRevokeLink,
  type PersonOfBarn,
} from '../../data/people';

/** One person: what they are, may ride, and when; their link; leaving. */
export function PersonPage() {
  const { personId = '' } = useParams();
  const people = useQuery(peopleQuery);
  return (
    <PageFrame title="Person">
      <QueryState query={people}>
        {(all) => {
          const person = all.find(({ person_id }) => person_id === personId);
          if (!person) return <Typography>Nobody of this barn is behind this address.</Typography>;
          return <Person key={personId} person={person} />;
        }}
      </QueryState>
    </PageFrame>
  );
}

function Person({ person }: { person: PersonOfBarn }) {
  const navigate = useNavigate();
  const { decides } = useWho();
  const change = useChangePerson(person.person_id);
  const [draft, setDraft] = useState<PersonDraft>(() => ({
    name: person.name,
    sign_in: person.sign_in,
    role: person.role,
    clearance: person.clearance,
    hours: person.hours,
    home_by: person.home_by ?? null,
  }));
  if (!decides) return <Typography>Ask a trainer to change who works here.</Typography>;
  const wrong = fieldsOf(change.error);
  const ofHours = Object.keys(wrong).filter((field) => /^\/hours\/\d+\/(to|most_)/.test(field));
  return (
    <>
      <Typography variant="h1">{person.name}</Typography>
      <FormFrame
        label={person.name}
        save="Save"
        saving={change.isPending}
        onSave={() => change.mutate(draft, { onSuccess: () => void navigate('/people') })}
        onCancel={() => void navigate('/people')}
        wrong={saidOfAll(change.error, ['/name', '/sign_in', '/role', ...ofHours])}
      >
        <PersonFields draft={draft} onDraft={setDraft} wrong={wrong} />
        {draft.role === 'rider' && <ClearanceFields draft={draft} onDraft={setDraft} />}
        {draft.role !== 'owner' && (
          <HoursFields
            hours={draft.hours}
            onHours={(hours) => setDraft({ ...draft, hours })}
            wrong={wrong}
          />
        )}
        {draft.role !== 'owner' && (
          <TextField
            type="time"
            label="Home by"
            value={draft.home_by?.slice(0, 5) ?? ''}
            helperText="Left empty: no matter. The week is planned so where it can be."
            onChange={({ target }) =>
              setDraft({ ...draft, home_by: target.value ? `${target.value}:00` : null })
            }
            slotProps={{ inputLabel: { shrink: true } }}
            sx={{ maxWidth: 320 }}
          />
        )}
      </FormFrame>
      {person.role !== 'owner' && <Hands personId={person.person_id} name={person.name} />}
      <ComingIn person={person} />
    </>
  );
}

/** The link by which somebody comes in or sets a new password; leaving and coming back. */
function ComingIn({ person }: { person: PersonOfBarn }) {
  const { time_zone } = useWho();
  const make = useMakeLink(person.person_id);
  const revoke = useRevokeLink(person.person_id);
  const leave = useLeave(person.person_id);
  const failed = make.error ?? revoke.error ?? leave.error;
  return (
    <Section title="Coming in">
      {person.left_at ? (
        <Typography sx={{ mb: 1.5 }}>
          {person.name} left. What they recorded stays; they can&apos;t sign in.
        </Typography>
      ) : (
        <Typography sx={{ mb: 1.5 }}>
          {person.has_password
            ? 'A new link lets them set a new password, and signs out all their devices.'
            : 'They set their own password by the link.'}
          {person.link_until &&
            ` A link works until ${dayAndClockIn(time_zone, person.link_until)}.`}
        </Typography>
      )}
      {make.data && <ComeInLink link={make.data} name={person.name} />}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        {!person.left_at && (
          <Button disabled={make.isPending} onClick={() => make.mutate()}>
            {person.has_password ? 'Link for a new password' : 'New invitation link'}
          </Button>
        )}
        {person.link_until && (
          <Button
            disabled={revoke.isPending}
            onClick={() => revoke.mutate(undefined, { onSuccess: () => make.reset() })}
          >
            Take the link back
          </Button>
        )}
        <Button disabled={leave.isPending} onClick={() => leave.mutate(!person.left_at)}>
          {person.left_at ? 'Comes back' : 'Leaves the barn'}
        </Button>
      </Box>
      {failed && (
        <Typography role="alert" sx={{ mt: 1.5, color: 'error.main' }}>
          {saidOfAll(failed, [])}
        </Typography>
      )}
    </Section>
  );
}

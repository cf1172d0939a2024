import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ProblemError, type Schemas } from '../base/api/client';
import { sendFile } from '../base/api/sendFile';
import { FormSelect } from '../base/form/FormSelect';
import { PickFile } from '../shell/PickFile';
import { Section } from '../shell/Section';
import { useSignedInBy } from '../data/session';
import { capital, count } from '../base/words/plain';

/** The whole barn as one file. */
export function Archive() {
  return (
    <Section
      title="The whole barn"
      intro="One file with everything: horses, rides, every ask, programs, places, cattle, reports. Passwords and secret links stay out of it."
    >
      <Button component="a" href="/api/barn/archive" download variant="contained">
        Take the barn along
      </Button>
      <Typography variant="h3" sx={{ mt: 3 }}>
        Bring a barn in
      </Typography>
      <Typography sx={{ maxWidth: 640 }}>
        Into a barn that is still empty: nothing is mixed up, and nothing of what is in the file is
        changed.
      </Typography>
      <BringIn />
    </Section>
  );
}

function BringIn() {
  const [file, setFile] = useState<File>();
  const look = useMutation({
    mutationFn: (picked: File) =>
      sendFile<Schemas['ArchiveLooked']>('/api/barn/archive/look', picked, 'application/json'),
  });
  return (
    <>
      <PickFile
        label="Pick the file"
        accept=".json,application/json"
        disabled={look.isPending}
        onPick={(picked) => {
          setFile(picked);
          look.mutate(picked);
        }}
      />
      {look.isPending && <Typography role="status">Reading it.</Typography>}
      {look.isError && <Wrong error={look.error} />}
      {look.data && file && <Looked key={file.name} file={file} looked={look.data} />}
    </>
  );
}

/** What of a file does not fit, place by place. */
export function Wrong({ error }: { error: Error }) {
  const errors = error instanceof ProblemError ? (error.problem.errors ?? []) : [];
  return (
    <Box role="alert" sx={{ mt: 1.5, borderLeft: '6px solid', borderColor: 'error.main', pl: 1.5 }}>
      <Typography>{capital(error.message)}</Typography>
      {errors.map(({ field, detail }) => (
        <Typography key={`${field} ${detail}`} variant="body2">
          {field || 'The file'}: {detail}
        </Typography>
      ))}
    </Box>
  );
}

const named: [string, string, string][] = [
  ['person', 'person', 'people'],
  ['horse', 'horse', 'horses'],
  ['ride', 'ride', 'rides'],
  ['rep', 'ask', 'asks'],
  ['cow', 'head of cattle', 'head of cattle'],
  ['course', 'course', 'courses'],
];

function Looked({ file, looked }: { file: File; looked: Schemas['ArchiveLooked'] }) {
  const { archive, barn_is_empty } = looked;
  const [personId, setPersonId] = useState(archive.trainers[0]?.person_id ?? '');
  const signedIn = useSignedInBy();
  const navigate = useNavigate();
  const bring = useMutation({
    mutationFn: () =>
      sendFile<Schemas['Who']>(`/api/barn/archive?person_id=${personId}`, file, 'application/json'),
    onSuccess(who) {
      signedIn(who);
      void navigate('/', { replace: true });
    },
  });
  const holds = named.flatMap(([table, one, more]) => {
    const rows = archive.rows.find((found) => found.table === table)?.rows;
    return rows === undefined ? [] : [count(rows, one, more)];
  });
  return (
    <Box sx={{ mt: 2, maxWidth: 560 }}>
      <Typography>
        <strong>{archive.barn}</strong>: {holds.join(', ')}.
      </Typography>
      {!barn_is_empty ? (
        <Typography role="note" sx={{ mt: 1 }}>
          This barn holds something already. Begin an empty one for it.
        </Typography>
      ) : archive.trainers.length === 0 ? (
        <Typography role="note">Nobody in the file could go on as its trainer.</Typography>
      ) : (
        <>
          <Box sx={{ mt: 2 }}>
            <FormSelect
              label="You go on as"
              value={personId}
              of={archive.trainers.map((one) => [one.person_id, one.name])}
              onPick={setPersonId}
            />
          </Box>
          <Typography sx={{ mt: 1 }}>
            With the password you have here. The others get a link from you, under People.
          </Typography>
          <Button
            variant="contained"
            disabled={bring.isPending}
            onClick={() => bring.mutate()}
            sx={{ mt: 1.5, minHeight: 56 }}
          >
            {bring.isPending ? 'Bringing it in' : 'Bring it in'}
          </Button>
          {bring.isError && <Wrong error={bring.error} />}
        </>
      )}
    </Box>
  );
}

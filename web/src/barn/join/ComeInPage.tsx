import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, client, ProblemError, type Schemas } from '../../base/api/client';
import { NosebandMark } from '../../draw/NosebandMark';
import { FormFrame } from '../../base/form/FormFrame';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { Waiting } from '../../shell/Waiting';
import { useSignedInBy } from '../../data/session';
import { capital } from '../../base/words/plain';
import { BarnFields, type BarnDraft } from './BarnFields';

/** The page a link opens: begin a barn, take up an invitation, set a new password. */
export function ComeInPage() {
  const [word] = useState(() => location.hash.slice(1));
  const link = useQuery({
    queryKey: ['link', word],
    queryFn: () => answer(client.POST('/api/links/look', { body: { word } })),
    retry: false,
    gcTime: 0,
    staleTime: Infinity,
  });
  return (
    <Box component="main" sx={{ maxWidth: 560, mx: 'auto', p: 3 }}>
      <title>Come in · Cavesson</title>
      <NosebandMark size={56} />
      {link.isPending && <Waiting label="Opening" />}
      {link.isError && <NoLink error={link.error} />}
      {link.data && <ComeIn word={word} link={link.data} />}
    </Box>
  );
}

function NoLink({ error }: { error: Error }) {
  const gone = error instanceof ProblemError && error.status === 410;
  return (
    <>
      <Typography variant="h1" sx={{ mt: 2 }}>
        {gone ? "This link doesn't work any more" : "Couldn't open this link"}
      </Typography>
      <Typography sx={{ my: 2 }}>{capital(error.message)}</Typography>
      <Button component={Link} to="/">
        Sign in
      </Button>
    </>
  );
}

const titles: Record<Schemas['LinkPurpose'], (link: Schemas['LinkShown']) => string> = {
  begin: () => 'Your own barn',
  invite: ({ barn }) => `Welcome to ${barn}`,
  reset: () => 'A new password',
};

const firstWords: Record<Schemas['LinkPurpose'], (link: Schemas['LinkShown']) => ReactNode> = {
  begin: () => 'Nothing is in it yet. Name it, and choose what you sign in with.',
  invite: ({ name, role }) =>
    `You come in as ${name}, ${role}. Choose a password; nobody else gets to see it.`,
  reset: ({ name }) =>
    `For ${name}. Every device that is signed in under your name is signed out with it.`,
};

function ComeIn({ word, link }: { word: string; link: Schemas['LinkShown'] }) {
  const navigate = useNavigate();
  const signedIn = useSignedInBy();
  const begins = link.purpose === 'begin';
  const [barn, setBarn] = useState<BarnDraft>(() => ({
    name: begins ? '' : link.barn,
    handle: '',
    trainer: '',
    time_zone: Intl.DateTimeFormat().resolvedOptions().timeZone || link.time_zone,
    units: link.units,
  }));
  const [signIn, setSignIn] = useState(begins ? '' : link.sign_in);
  const [password, setPassword] = useState('');
  const take = useMutation({
    mutationFn: () =>
      answer(
        client.POST('/api/links/take', {
          body: { word, password, sign_in: signIn, ...(begins && { barn }) },
        }),
      ),
    onSuccess(who) {
      signedIn(who);
      void navigate('/', { replace: true });
    },
  });
  const wrong = fieldsOf(take.error);
  const shown = ['/password', '/sign_in', ...Object.keys(barn).map((field) => `/barn/${field}`)];
  const handle = begins ? barn.handle || 'barn' : link.handle;
  return (
    <>
      <Typography variant="h1" sx={{ mt: 2 }}>
        {titles[link.purpose](link)}
      </Typography>
      <Typography sx={{ mt: 0.5 }}>{firstWords[link.purpose](link)}</Typography>
      <FormFrame
        label={titles[link.purpose](link)}
        save="Come in"
        onSave={() => take.mutate()}
        saving={take.isPending}
        wrong={saidOfAll(take.error, shown)}
      >
        {begins && <BarnFields barn={barn} onBarn={setBarn} onSignIn={setSignIn} wrong={wrong} />}
        <FormText
          label="Username"
          becomes="LinkTaken/sign_in"
          value={signIn}
          onText={(text) => setSignIn(text.toLowerCase())}
          wrong={wrong['/sign_in']}
          helperText={`You sign in as ${signIn || 'name'}@${handle}`}
          autoComplete="username"
        />
        <FormText
          label="Password"
          type="password"
          becomes="LinkTaken/password"
          value={password}
          onText={setPassword}
          wrong={wrong['/password']}
          helperText="Eight characters or more"
          autoComplete="new-password"
        />
      </FormFrame>
    </>
  );
}

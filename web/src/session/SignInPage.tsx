import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type FormEvent, type ReactNode } from 'react';
import { NosebandMark } from '../draw/NosebandMark';
import { useSignIn } from './queries';

/** The sign-in; `children` say what there is to say before it. */
export function SignInPage({ children }: { children?: ReactNode }) {
  const signIn = useSignIn();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    signIn.mutate({ sign_in: name, password });
  };
  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', p: 3 }}>
      <Box component="form" onSubmit={submit} sx={{ width: '100%', maxWidth: 360 }}>
        <NosebandMark size={72} />
        <Typography variant="h1" sx={{ mt: 2 }}>
          Cavesson
        </Typography>
        <Typography sx={{ mt: 0.5, mb: 3, color: 'text.secondary' }}>
          What you asked, what the horse answered, and when to move on.
        </Typography>
        {children}
        <TextField
          fullWidth
          required
          label="Username"
          helperText="Your name at your barn, such as wren@saltgrass"
          autoComplete="username"
          value={name}
          onChange={(event) => setName(event.target.value)}
          slotProps={{ htmlInput: { autoCapitalize: 'none', spellCheck: false } }}
        />
        <TextField
          fullWidth
          required
          sx={{ mt: 2 }}
          label="Password"
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        <Typography role="alert" sx={{ minHeight: '3em', mt: 1, color: 'error.main' }}>
          {signIn.error?.message}
        </Typography>
        <Button
          fullWidth
          type="submit"
          variant="contained"
          size="large"
          disabled={signIn.isPending}
          sx={{ minHeight: 60 }}
        >
          Sign in
        </Button>
      </Box>
    </Box>
  );
}

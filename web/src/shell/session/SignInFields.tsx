import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useSignIn } from '../../data/session';

/** What a sign-in asks for, and why it failed. */
export function useSignInFields() {
  const signIn = useSignIn();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  return {
    name,
    setName,
    password,
    setPassword,
    failed: signIn.error?.message,
    pending: signIn.isPending,
    send: (onSuccess?: () => void) => signIn.mutate({ sign_in: name, password }, { onSuccess }),
  };
}

interface Props {
  fields: ReturnType<typeof useSignInFields>;
  /** What stands under the username. */
  hint?: string;
}

export function SignInFields({ fields, hint }: Props) {
  const { name, setName, password, setPassword, failed } = fields;
  return (
    <>
      <TextField
        fullWidth
        required
        margin="dense"
        label="Username"
        helperText={hint}
        autoComplete="username"
        value={name}
        onChange={(event) => setName(event.target.value)}
        slotProps={{ htmlInput: { autoCapitalize: 'none', spellCheck: false } }}
      />
      <TextField
        fullWidth
        required
        margin="dense"
        label="Password"
        type="password"
        autoComplete="current-password"
        value={password}
        onChange={(event) => setPassword(event.target.value)}
      />
      <Typography role="alert" sx={{ minHeight: '3em', mt: 1, color: 'error.main' }}>
        {failed}
      </Typography>
    </>
  );
}

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { FormEvent, ReactNode } from 'react';
import { NosebandMark } from '../../draw/NosebandMark';
import { SignInFields, useSignInFields } from './SignInFields';

/** The sign-in; `children` say what there is to say before it. */
export function SignInPage({ children }: { children?: ReactNode }) {
  const fields = useSignInFields();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    fields.send();
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
        <SignInFields fields={fields} hint="Your name at your barn, such as wren@saltgrass" />
        <Button
          fullWidth
          type="submit"
          variant="contained"
          size="large"
          disabled={fields.pending}
          sx={{ minHeight: 60 }}
        >
          Sign in
        </Button>
      </Box>
    </Box>
  );
}

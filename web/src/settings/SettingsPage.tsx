import Typography from '@mui/material/Typography';
import { PageFrame } from '../frame/PageFrame';
import { useWho } from '../session/who';
import { Clicker } from './Clicker';
import { Screen } from './Screen';
import { ThisDevice } from './ThisDevice';
import { Voice } from './Voice';

/** What is set on this device alone: what is held in the hand, what is heard, how it is seen. */
export function SettingsPage() {
  const { records } = useWho();
  return (
    <PageFrame title="Settings">
      <Typography variant="h1">Settings</Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        For this phone, tablet or laptop only.
      </Typography>
      {records && <Clicker />}
      {records && <Voice />}
      <Screen />
      <ThisDevice />
    </PageFrame>
  );
}

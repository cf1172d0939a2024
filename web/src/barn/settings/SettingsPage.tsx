import Typography from '@mui/material/Typography';
import { PageFrame } from '../../shell/PageFrame';
import { useWho } from '../../data/who';
import { Account } from './Account';
import { Clicker } from './Clicker';
import { Screen } from './Screen';
import { TheBarn } from './TheBarn';
import { ThisDevice } from './ThisDevice';
import { Voice } from './Voice';

/**
 * What is set on this device alone (what is held in the hand, what is heard, how it is seen),
 * one's own sign-in, and the barn.
 */
export function SettingsPage() {
  const { records, decides } = useWho();
  return (
    <PageFrame title="Settings">
      <Typography variant="h1">Settings</Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        For this phone, tablet or laptop only, down to This device.
      </Typography>
      {records && <Clicker />}
      {records && <Voice />}
      <Screen />
      <ThisDevice />
      <Account />
      {decides && <TheBarn />}
    </PageFrame>
  );
}

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useLiveQuery } from 'dexie-react-hooks';
import { useQueue } from '../../outbox/queue';
import { useFollowSignIn } from '../../data/session';
import { SignInPage } from './SignInPage';
import { useWho } from '../../data/who';
import { count } from '../../base/words/plain';

/** The session ended, or another tab signed somebody else in. */
export function SignedOutPage() {
  const who = useWho();
  const { db } = useQueue();
  const follow = useFollowSignIn();
  const waiting = useLiveQuery(() => db.reps.where('state').equals('waiting').count(), [db]) ?? 0;
  return (
    <SignInPage>
      <Typography role="status" sx={{ mb: 2 }}>
        {who.name} was signed out here.
        {waiting > 0 &&
          ` ${count(waiting, 'ask')} on this device ${
            waiting === 1 ? 'goes' : 'go'
          } out when ${who.name} signs in again.`}
      </Typography>
      <Button variant="text" onClick={() => void follow()} sx={{ mb: 1, minHeight: 48, px: 0 }}>
        Not {who.name}?
      </Button>
    </SignInPage>
  );
}

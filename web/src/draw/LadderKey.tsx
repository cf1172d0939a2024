import Box from '@mui/material/Box';
import { stateWords, type State } from '../base/words/states';
import { RungMark } from './RungMark';

const shown: State[] = [
  'held',
  'in_doubt',
  'lost',
  'waiting',
  'retest',
  'confirming',
  'working',
  'open',
  'closed',
  'rusty',
  'eased',
  'overruled',
  'shown_at_intake',
  'placed',
];

/** What the rungs of a horse's ladder mean. */
export function LadderKey() {
  return (
    <Box
      component="ul"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: '2px 16px', p: 0, m: 0, listStyle: 'none' }}
    >
      {shown.map((state) => (
        <Box
          component="li"
          key={state}
          sx={{ display: 'flex', alignItems: 'center', gap: 0.75, fontSize: 15 }}
        >
          <svg width={40} height={22} aria-hidden="true">
            <RungMark state={state} held x={20} y={11} width={34} />
          </svg>
          {stateWords[state]}
        </Box>
      ))}
    </Box>
  );
}

import Box from '@mui/material/Box';
import type { Answer } from '../base/words/answers';
import { RepMark } from './RepMark';
import type { DrawnRep } from './rein';

const give = (answer: Answer): DrawnRep['measure'] => ({
  kind: 'give',
  hand: 'fingertip',
  time_s: 1,
  answer,
});

const base: DrawnRep = {
  repId: 'key',
  side: 'right',
  measure: give('gave'),
  soft: true,
  firstAsk: false,
};

const marks: [string, DrawnRep][] = [
  ['soft', base],
  ['not soft', { ...base, soft: false }],
  ['first ask of the day', { ...base, firstAsk: true }],
  ['evaded, tick shows which way', { ...base, soft: false, measure: give('evaded_up') }],
  ['did not give', { ...base, soft: false, measure: give('did_not_give') }],
];

/** What the marks of a rein strip mean. */
export function StripKey() {
  return (
    <Box
      component="ul"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: '4px 18px', p: 0, m: 0, listStyle: 'none' }}
    >
      {marks.map(([word, rep]) => (
        <Box
          component="li"
          key={word}
          sx={{ display: 'flex', alignItems: 'center', gap: 0.75, fontSize: 15 }}
        >
          <svg width={40} height={28} aria-hidden="true">
            <RepMark way={1} rep={rep} centre={3} away={20} y={14} picked={false} />
          </svg>
          {word}
        </Box>
      ))}
    </Box>
  );
}

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { clock } from '../../base/words/days';
import { HorseTag } from './HorseTag';
import type { StringHorse } from './string';

interface Props {
  rider: string;
  entries: StringHorse[];
  records: boolean;
  next: StringHorse | undefined;
}

/** One rider's string: time downwards, each horse a tag on a hook. */
export function StringLane({ rider, entries, records, next }: Props) {
  return (
    <Box component="section" sx={{ flex: '1 1 340px', maxWidth: 620 }}>
      <Typography variant="h2">{rider}</Typography>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1, position: 'relative' }}>
        <Box
          aria-hidden="true"
          sx={{
            position: 'absolute',
            left: 58,
            top: 0,
            bottom: 0,
            width: 5,
            borderRadius: 3,
            bgcolor: 'text.primary',
          }}
        />
        {entries.map((entry) => (
          <Box
            component="li"
            key={entry.booking_id}
            sx={{ display: 'flex', py: 1, alignItems: 'flex-start' }}
          >
            <Typography
              component="span"
              sx={{ width: 52, pt: 1.5, fontWeight: 700, textAlign: 'right', pr: 1 }}
            >
              {clock(entry.starts_at)}
            </Typography>
            <Hook />
            <HorseTag entry={entry} records={records} isNext={entry === next} />
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function Hook() {
  return (
    <Box
      component="svg"
      width={44}
      height={44}
      aria-hidden="true"
      sx={{ flex: 'none', color: 'text.primary', mr: '-14px', zIndex: 1 }}
    >
      <path
        d="M10 24h17a6 6 0 0 1 0 12"
        fill="none"
        stroke="currentColor"
        strokeWidth={4}
        strokeLinecap="round"
      />
    </Box>
  );
}

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import type { FoundLevel } from '../data/intake';

interface Track {
  name: string;
  levels: FoundLevel[];
}

const words: Record<FoundLevel['finding'], string> = {
  shown: 'shown',
  not_yet: 'not there yet',
  unknown: 'unknown',
};

/**
 * The levels of each track in the order of the work: filled for shown, empty for not there
 * yet, half filled from below for unknown, as high as it is likely held.
 */
export function FoundRail({ tracks }: { tracks: Track[] }) {
  return (
    <>
      <Key />
      <Box
        component="ul"
        aria-label="Tracks"
        sx={{
          listStyle: 'none',
          p: 0,
          m: 0,
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: 'auto minmax(0, 1fr)' },
          columnGap: 2,
          rowGap: 1,
        }}
      >
        {tracks.map((track) => (
          <Box component="li" key={track.name} sx={{ display: { xs: 'block', sm: 'contents' } }}>
            <Typography sx={{ fontWeight: 700, alignSelf: 'center' }}>{track.name}</Typography>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: '4px', alignItems: 'center' }}>
              {track.levels.map((level) => (
                <Mark key={level.name} level={level} />
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}

const size = { width: 22, height: 28 };

function Mark({ level: { name, finding, chance, asked, soft } }: { level: FoundLevel }) {
  const answered = asked > 0 ? `, ${soft} of ${asked} soft` : '';
  const likely = finding === 'unknown' ? `, ${Math.round(chance * 100)}% likely` : '';
  const said = `${name}: ${words[finding]}${likely}${answered}`;
  return (
    <svg {...size} role="img" aria-label={said}>
      <title>{said}</title>
      <Shape finding={finding} chance={chance} asked={asked > 0} />
    </svg>
  );
}

interface Shown {
  finding: FoundLevel['finding'];
  chance: number;
  asked: boolean;
}

function Shape({ finding, chance, asked }: Shown) {
  const { leather } = useTheme().palette;
  const { width, height } = size;
  const tall = height - 8;
  const full = finding === 'shown' ? 1 : finding === 'not_yet' ? 0 : chance;
  return (
    <>
      <rect
        x={1}
        y={1}
        width={width - 2}
        height={tall}
        rx={3}
        fill={leather.paper}
        stroke={leather.ink}
        strokeWidth={1.5}
        strokeDasharray={finding === 'unknown' ? '3 3' : undefined}
      />
      {full > 0 && (
        <rect
          x={2}
          y={1 + (tall - 1) * (1 - full)}
          width={width - 4}
          height={(tall - 1) * full}
          rx={2}
          fill={finding === 'unknown' ? leather.faded : leather.leather}
        />
      )}
      {asked && <circle cx={width / 2} cy={height - 3} r={2.5} fill={leather.ink} />}
    </>
  );
}

function Key() {
  const shown: [Shown, string][] = [
    [{ finding: 'shown', chance: 1, asked: false }, 'shown'],
    [{ finding: 'not_yet', chance: 0, asked: false }, 'not there yet'],
    [{ finding: 'unknown', chance: 0.5, asked: false }, 'unknown, filled as far as it is likely'],
    [{ finding: 'shown', chance: 1, asked: true }, 'asked'],
  ];
  return (
    <Box
      component="ul"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: '4px 18px',
        p: 0,
        m: 0,
        mb: 2,
        listStyle: 'none',
      }}
    >
      {shown.map(([mark, text]) => (
        <Box
          component="li"
          key={text}
          sx={{ display: 'flex', alignItems: 'center', gap: 0.75, fontSize: 15 }}
        >
          <svg {...size} aria-hidden="true">
            <Shape {...mark} />
          </svg>
          {text}
        </Box>
      ))}
    </Box>
  );
}

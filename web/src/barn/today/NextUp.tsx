import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { cardPath } from '../../data/card';
import { CardRail } from '../../draw/CardRail';
import { VerdictMark } from '../../draw/VerdictMark';
import { verdictWords } from '../../base/words/answers';
import { horseLine } from '../../base/words/horse';
import { clock } from '../../base/words/days';
import { HeatLine } from './HeatLine';
import { aimPath, aimRidePath } from './paths';
import { cardInShort, type StringHorse } from './string';

/** Who is next, with what, where, and the one thing that matters. One tap to ride. */
export function NextUp({ entry, mine }: { entry: StringHorse; mine: boolean }) {
  const { horse, aim } = entry;
  const ride = aimRidePath(entry);
  return (
    <Box
      component="section"
      aria-label="Next"
      sx={{
        bgcolor: 'primary.main',
        color: 'primary.contrastText',
        borderRadius: '6px 26px 26px 6px',
        p: { xs: 2, md: 3 },
        display: 'flex',
        flexWrap: 'wrap',
        gap: 2,
        alignItems: 'center',
      }}
    >
      <Box sx={{ flex: '1 1 300px' }}>
        <Typography>
          {clock(entry.starts_at)}, {entry.place}
          {!mine && `, ${entry.rider}`}
        </Typography>
        <HeatLine heat={entry.heat} />
        <Typography variant="h1" component="h2" sx={{ fontSize: { xs: '2.3rem', md: '2.8rem' } }}>
          {horse.name}
        </Typography>
        <Typography>{horseLine(horse)}</Typography>
      </Box>
      <Box
        component={Link}
        to={aimPath(entry)}
        sx={{
          flex: '2 1 320px',
          display: 'flex',
          gap: 1.5,
          color: 'text.primary',
          bgcolor: 'background.paper',
          borderRadius: '5px',
          p: 1.5,
          textDecoration: 'none',
        }}
      >
        <VerdictMark verdict={aim.verdict} size={36} />
        <Box>
          <Typography sx={{ fontWeight: 700 }}>
            {aim.level.name}: {verdictWords[aim.verdict].toLowerCase()}
          </Typography>
          <Typography>{aim.matters}</Typography>
        </Box>
      </Box>
      <Box
        component={Link}
        to={cardPath(horse.horse_id)}
        sx={{
          flex: '1 1 100%',
          order: 3,
          color: 'text.primary',
          bgcolor: 'background.paper',
          borderRadius: '5px',
          p: 1.5,
          textDecoration: 'none',
        }}
      >
        <Typography sx={{ fontWeight: 700, mb: 0.5 }}>
          Today&apos;s card: {cardInShort(entry)}
        </Typography>
        <CardRail parts={entry.parts} />
      </Box>
      <Button
        component={Link}
        to={ride ?? aimPath(entry)}
        size="large"
        sx={{
          flex: { xs: '1 1 100%', md: '0 0 auto' },
          minHeight: 76,
          minWidth: 170,
          fontSize: '1.35rem',
          bgcolor: 'background.paper',
          color: 'text.primary',
          borderColor: 'text.primary',
          '&:hover': { bgcolor: 'background.default' },
        }}
      >
        {ride ? `Ride ${horse.name.split(' ')[0]}` : 'See the gate'}
      </Button>
    </Box>
  );
}

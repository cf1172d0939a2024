import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { SideBeam } from '../../draw/SideBeam';
import { Figures } from '../../shell/Figures';
import { Section } from '../../shell/Section';
import { Tip } from '../../help/Tip';
import { levelPath } from '../../data/level';
import { count, percent } from '../../base/words/plain';
import type { HorsePage } from '../../data/horse';
import { sidesInFigures, sidesInWords } from './sidesInWords';

const shownAtFirst = 5;

/** Left against right, level by level, the most uneven first. */
export function SidesApart({ page }: { page: HorsePage }) {
  const [all, setAll] = useState(false);
  const shown = all ? page.sides : page.sides.slice(0, shownAtFirst);
  return (
    <Section id="sides" later={500} title="Left against right" intro={<StiffSide page={page} />}>
      {page.sides.length === 0 && (
        <Typography>Not enough asks on each side in the last four weeks.</Typography>
      )}
      {page.sides.length > 0 && (
        <Box sx={{ display: 'flex', justifyContent: 'space-between' }} aria-hidden="true">
          <Typography variant="h3">Left</Typography>
          <Typography variant="h3">Right</Typography>
        </Box>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map((one) => (
          <Sides key={one.level} one={one} page={page} />
        ))}
      </Box>
      {page.sides.length > 0 && <Tip of="sides" />}
      {page.sides.length > shownAtFirst && (
        <Button onClick={() => setAll(!all)} sx={{ mt: 1 }}>
          {all ? 'Show fewer' : `Show all ${page.sides.length} levels`}
        </Button>
      )}
    </Section>
  );
}

function Sides({ one, page }: { one: Schemas['LevelSides']; page: HorsePage }) {
  const level = page.levels[one.level]?.level;
  if (!level) return null;
  const figures = sidesInFigures(one);
  // One stiff side for the horse: marked where this level shows it too.
  const named = page.stiff_side?.side;
  const stiff = named === one.evenness.lower_side && named !== 'both' ? (named ?? null) : null;
  return (
    <Box component="li" sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1 }}>
      <Box
        component={Link}
        to={`${levelPath({ horseId: page.horse.horse_id, ...level }, '/strip')}?rail=difference&on=${page.on}`}
        sx={{ color: 'text.primary', fontWeight: 600 }}
      >
        {level.name}
      </Box>
      <SideBeam left={one.left} right={one.right} stiff={stiff} />
      <Typography variant="body2">{sidesInWords(one)}</Typography>
      {figures && <Figures>{figures}</Figures>}
    </Box>
  );
}

function StiffSide({ page }: { page: HorsePage }) {
  const stiff = page.stiff_side;
  if (!stiff) return 'No stiff side over the last four weeks.';
  const worked = `${count(stiff.asked, 'ask')} on it in the last week, ${stiff.other_asked} on the other`;
  return `The ${stiff.side} is the stiff side over all work: ${percent(stiff.share)} soft against ${percent(stiff.other_share)}. ${worked}${stiff.neglected ? ': needs more work' : ''}.`;
}

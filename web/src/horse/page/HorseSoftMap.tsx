import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { SoftMap } from '../../draw/SoftMap';
import { change, zonesAt, type ZoneSide } from '../../draw/softMap';
import { Section } from '../../shell/Section';
import { levelPath } from '../../data/level';
import { sideWords } from '../../base/words/answers';
import { percent } from '../../base/words/plain';
import { gaitWords, zoneWords } from '../../base/words/states';
import type { HorsePage } from '../../data/horse';
import { Tip } from '../../help/Tip';

type Gait = HorsePage['soft_map'][number]['gait'];

/** Where the horse is soft: the last fourteen days against the fourteen before. */
export function HorseSoftMap({ page }: { page: HorsePage }) {
  const [gait, setGait] = useState<Gait | null>(null);
  const [picked, setPicked] = useState<ZoneSide | null>(null);
  const gaits = [...new Set(page.soft_map.map((zone) => zone.gait))];
  const zones = zonesAt(page.soft_map, gait);
  const found = picked && zones.find((zone) => sameZone(zone, picked));
  return (
    <Section
      id="soft-map"
      later={700}
      title="Soft map"
      intro="The last 14 days against the 14 before. The denser the strokes, the softer it is there."
    >
      {page.soft_map.length === 0 ? (
        <Typography>Nothing was asked in the last four weeks.</Typography>
      ) : (
        <>
          <Box
            role="group"
            aria-label="Gait"
            sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 1 }}
          >
            {[null, ...gaits].map((choice) => (
              <Button
                key={choice ?? 'all'}
                size="small"
                variant={choice === gait ? 'contained' : 'outlined'}
                aria-pressed={choice === gait}
                onClick={() => setGait(choice)}
              >
                {choice ? gaitWords[choice] : 'All gaits'}
              </Button>
            ))}
          </Box>
          <Tip of="softMap" />
          <SoftMap
            zones={zones}
            picked={found ? `${found.zone} ${found.side}` : null}
            onPick={setPicked}
          />
          {found ? (
            <ZoneLevels zone={found} gait={gait} page={page} />
          ) : (
            <Typography variant="body2">Tap a part to see the asks behind it.</Typography>
          )}
          <InWords zones={zones} onPick={setPicked} />
        </>
      )}
    </Section>
  );
}

const sameZone = (a: ZoneSide, b: ZoneSide) => a.zone === b.zone && a.side === b.side;

/** The levels a part of the map is made of; each leads to its reins. */
function ZoneLevels({ zone, gait, page }: { zone: ZoneSide; gait: Gait | null; page: HorsePage }) {
  const levels = page.levels.filter(
    ({ level, last_asked }) =>
      level.zone === zone.zone && last_asked && (gait === null || level.gait === gait),
  );
  return (
    <Box role="status">
      <Typography sx={{ fontWeight: 700 }}>
        {zoneWords[zone.zone]}, {sideWords[zone.side].toLowerCase()}: {zone.now.soft} of{' '}
        {zone.now.asked} soft, made of
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 3 }}>
        {levels.map(({ level }) => (
          <Box component="li" key={level.name} sx={{ py: 0.4 }}>
            <Box
              component={Link}
              sx={{ color: 'text.primary' }}
              to={`${levelPath({ horseId: page.horse.horse_id, ...level }, '/strip')}?rail=soft_share&side=${level.sides === 'both' ? 'both' : zone.side}&on=${page.on}`}
            >
              {level.name}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** The map in words. */
function InWords({ zones, onPick }: { zones: ZoneSide[]; onPick: (zone: ZoneSide) => void }) {
  return (
    <Box component="details" sx={{ mt: 1 }}>
      <Box component="summary" sx={{ cursor: 'pointer', minHeight: 32 }}>
        The map in words
      </Box>
      <Box component="ul" sx={{ m: 0, pl: 3 }}>
        {zones.map((zone) => (
          <li key={`${zone.zone} ${zone.side}`}>
            <Button
              variant="text"
              size="small"
              onClick={() => onPick(zone)}
              sx={{ textAlign: 'left' }}
            >
              {zoneWords[zone.zone]}, {zone.side}:{' '}
              {zone.now.asked > 0
                ? `${percent(zone.now.soft / zone.now.asked)} soft, ${change(zone)}`
                : 'not asked in the last 14 days'}
            </Button>
          </li>
        ))}
      </Box>
    </Box>
  );
}

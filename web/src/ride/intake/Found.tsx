import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { FoundRail } from '../../draw/FoundRail';
import { Section } from '../../shell/Section';
import { ladderQuery } from '../../data/ladder';
import { levelPath } from '../../data/level';
import { longDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import type { FoundLevel, Intake } from '../../data/intake';
import { Tip } from '../../help/Tip';

/** What an intake found: track by track, the holes, and what is still unknown and why. */
export function Found({ intake }: { intake: Intake }) {
  const { levels } = intake;
  if (levels.length === 0) return null;
  return (
    <>
      <InShort intake={intake} />
      <Holes intake={intake} />
      <Tracks levels={levels} />
      <Confirm levels={levels} />
      <StillUnknown levels={levels} />
    </>
  );
}

function InShort({ intake: { levels, rides } }: { intake: Intake }) {
  const of = (finding: FoundLevel['finding']) =>
    levels.filter((level) => level.finding === finding).length;
  const finished = rides.filter((ride) => ride.finished);
  const asks = finished.reduce((sum, ride) => sum + ride.asks, 0);
  const last = finished.at(-1);
  return (
    <Box sx={{ my: 2 }}>
      <Typography sx={{ fontSize: '1.35rem', fontWeight: 700 }}>
        {count(of('shown'), 'level')} shown, {of('not_yet')} not there yet, {of('unknown')} still
        unknown
      </Typography>
      {last && (
        <Typography sx={{ color: 'text.secondary' }}>
          After {count(asks, 'ask')} on {count(finished.length, 'ride')}, last on{' '}
          <Box component={Link} to={`/rides/${last.ride_id}`} sx={{ color: 'text.primary' }}>
            {longDay(last.day)}
          </Box>
          .
        </Typography>
      )}
    </Box>
  );
}

function Holes({ intake: { holes } }: { intake: Intake }) {
  const { horseId = '' } = useParams();
  if (holes.length === 0) return null;
  return (
    <Section title="Missing under the rest">
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, maxWidth: 860 }}>
        {holes.map((hole) => (
          <Box
            component="li"
            key={hole.name}
            sx={{ borderLeft: '6px solid', borderColor: 'error.main', pl: 1.5, mb: 1.5 }}
          >
            <Typography
              component={Link}
              to={levelPath({ horseId, ...hole.level })}
              sx={{ fontWeight: 700, color: 'text.primary' }}
            >
              {hole.name}
            </Typography>
            <Typography>{hole.text}</Typography>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

/** Each track as a rail of its levels. */
function Tracks({ levels }: { levels: FoundLevel[] }) {
  const ladder = useQuery(ladderQuery);
  const nameOf = (track: string) =>
    ladder.data?.tracks.find(({ id }) => id === track)?.name ?? track;
  const tracks = [...new Set(levels.map(({ track }) => track))];
  return (
    <Section title="Track by track">
      <Tip of="found" />
      <FoundRail
        tracks={tracks.map((track) => ({
          name: nameOf(track),
          levels: levels.filter((level) => level.track === track),
        }))}
      />
    </Section>
  );
}

function Confirm({ levels }: { levels: FoundLevel[] }) {
  const { horseId = '' } = useParams();
  const waits = levels.filter(({ confirmation }) => confirmation === 'waiting').length;
  const confirmed = levels.filter(({ confirmation }) => confirmation === 'confirmed').length;
  const doubted = levels.filter(({ confirmation }) => confirmation === 'doubted');
  return (
    <Section title="Confirmed since">
      <Typography sx={{ maxWidth: 760 }}>
        What was shown counts as held. A soft first ask on another day confirms it, two that are not
        soft take it back.{' '}
        {waits > 0 &&
          `${count(waits, 'level')} ${waits === 1 ? 'waits' : 'wait'} for a first ask; `}
        {waits > 0 && 'the next cards ask them cold, cheapest first. '}
        {confirmed > 0 && `${confirmed} confirmed. `}
        {doubted.length > 0 &&
          `Taken back: ${doubted.map(({ name }) => name.toLowerCase()).join('; ')}.`}
      </Typography>
      <Button component={Link} to={`/horses/${horseId}/card`} sx={{ mt: 1.5 }}>
        See today&apos;s card
      </Button>
    </Section>
  );
}

/** Why levels are unknown: those with one reason together. */
function StillUnknown({ levels }: { levels: FoundLevel[] }) {
  const unknown = levels.filter(({ finding }) => finding === 'unknown');
  if (unknown.length === 0) return null;
  const reasons = [...new Set(unknown.map((level) => level.unknown))];
  return (
    <Section title="Still unknown">
      {reasons.map((reason) => (
        <Reason
          key={reason}
          reason={reason}
          names={unknown.filter((level) => level.unknown === reason).map(({ name }) => name)}
        />
      ))}
    </Section>
  );
}

/** More names than this are opened by a tap. */
const fewNames = 8;

function Reason({ reason, names }: { reason: string; names: string[] }) {
  const few = names.length <= fewNames;
  const head = (
    <>
      <strong>{reason}</strong> {count(names.length, 'level')}
      {few ? ':' : ''}
    </>
  );
  const list = `${names.join('; ')}.`;
  if (few)
    return (
      <Typography sx={{ mb: 2, maxWidth: 860 }}>
        {head} {list}
      </Typography>
    );
  return (
    <Box component="details" sx={{ mb: 2, maxWidth: 860 }}>
      <Box component="summary" sx={{ minHeight: 32, cursor: 'pointer', lineHeight: 1.5 }}>
        {head}
      </Box>
      <Typography>{list}</Typography>
    </Box>
  );
}

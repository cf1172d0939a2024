import { count } from '../base/words/plain';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../base/api/client';
import { LadderRails } from '../draw/LadderRails';
import { QueryState } from '../shell/QueryState';
import { PageFrame } from '../shell/PageFrame';
import { Section } from '../shell/Section';
import { nameOf, placeOf } from '../data/levelsOfHorse';
import { useWho } from '../data/who';
import { drawnLevels } from './drawnLevels';
import { gateInWords } from './gateInWords';
import { LevelList } from './LevelList';
import { ladderQuery, levelIn, type ShownLadder } from '../data/ladder';
import { programsQuery } from '../data/programs';

/** The ladder as it ships, and the programs that differ from it. */
export function LadderPage() {
  const ladder = useQuery(ladderQuery);
  return (
    <PageFrame title="Ladder">
      <QueryState query={ladder}>{(data) => <Ladder ladder={data} />}</QueryState>
    </PageFrame>
  );
}

function Ladder({ ladder }: { ladder: ShownLadder }) {
  const [search, setSearch] = useSearchParams();
  const [skill = '', rung = ''] = search.get('level')?.split('/') ?? [];
  const asked = search.has('level') ? { skill, rung } : levelIn(ladder, 'lightest_ask');
  const found = asked ? placeOf(ladder.levels, asked) : -1;
  const picked = found >= 0 ? found : null;
  const pick = (place: number) => {
    const level = ladder.levels[place]?.level;
    if (level) setSearch({ level: `${level.skill}/${level.rung}` }, { replace: true });
  };
  const levels = drawnLevels(ladder);
  return (
    <>
      <Typography variant="h1">The ladder</Typography>
      <Typography sx={{ color: 'text.secondary', maxWidth: 760 }}>
        Each upright pair is a track, each rung a level, from the ground up. Point at a rung or tap
        it to see what it needs and what it opens. Version {ladder.version}, {ladder.levels.length}{' '}
        levels.
      </Typography>
      <Programs />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 350px' },
          gap: 3,
          mt: 2,
        }}
      >
        <LadderRails levels={levels} tracks={ladder.tracks} picked={picked} onPick={pick} />
        <Box sx={{ minWidth: 0 }}>
          {picked !== null && <Rung ladder={ladder} shown={ladder.levels[picked]!} onPick={pick} />}
          <LevelList levels={levels} tracks={ladder.tracks} picked={picked} onPick={pick} />
        </Box>
      </Box>
      <Faults faults={ladder.faults} />
    </>
  );
}

function Programs() {
  const programs = useQuery(programsQuery);
  const { decides } = useWho();
  return (
    <Box
      component="section"
      aria-label="Programs"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5, alignItems: 'center' }}
    >
      <Typography variant="h3" component="h2">
        Programs of this barn:
      </Typography>
      {programs.data?.length === 0 && (
        <Typography>none yet; every horse is on the standard ladder.</Typography>
      )}
      {programs.data?.map(({ program_id, name, horses }) => (
        <Button key={program_id} component={Link} to={`/programs/${program_id}`}>
          {name}, {count(horses.length, 'horse')}
        </Button>
      ))}
      {decides && (
        <Button component={Link} to="/programs/new" variant="contained">
          Make a program
        </Button>
      )}
    </Box>
  );
}

function Rung({
  ladder,
  shown,
  onPick,
}: {
  ladder: ShownLadder;
  shown: Schemas['ShownLevel'];
  onPick: (place: number) => void;
}) {
  const { level, needs } = shown;
  const skill = ladder.tracks.flatMap(({ skills }) => skills).find(({ id }) => id === level.skill);
  const opens = ladder.levels.filter((one) =>
    one.needs.some((need) =>
      need.some(({ skill, rung }) => skill === level.skill && rung === level.rung),
    ),
  );
  const links = (levels: Schemas['Level'][]) =>
    levels.map((one) => (
      <Button
        key={`${one.skill} ${one.rung}`}
        variant="text"
        size="small"
        sx={{ textAlign: 'left', justifyContent: 'flex-start' }}
        onClick={() => onPick(placeOf(ladder.levels, one))}
      >
        {nameOf(ladder.levels, one)}
      </Button>
    ));
  return (
    <Box role="status" sx={{ mb: 2 }}>
      <Typography variant="h2">{level.name}</Typography>
      <Typography sx={{ my: 0.5 }}>{level.ask}</Typography>
      {skill?.notes.map((note) => (
        <Typography key={note} variant="body2">
          {note}
        </Typography>
      ))}
      {skill?.caution && <Typography sx={{ fontWeight: 700 }}>{skill.caution}</Typography>}
      <Typography variant="h3" sx={{ mt: 1 }}>
        The gate
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {gateInWords(shown).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
      {needs.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1 }}>
            Needs
          </Typography>
          {needs.map((alternatives, index) => (
            <Box key={index}>
              {links(alternatives)}
              {alternatives.length > 1 && (
                <Typography variant="body2">one of them is enough</Typography>
              )}
            </Box>
          ))}
        </>
      )}
      {opens.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1 }}>
            Opens
          </Typography>
          {links(opens.map((one) => one.level))}
        </>
      )}
    </Box>
  );
}

function Faults({ faults }: { faults: Schemas['Fault'][] }) {
  return (
    <Section
      title="Faults"
      intro="What to rule out first, and how to fix it. New or one-sided trouble may be pain: ask a vet, equine dentist, farrier or saddle fitter."
    >
      <Box
        component="dl"
        sx={{
          columnWidth: 360,
          columnGap: 5,
          m: 0,
          '& dt': { fontWeight: 700, breakAfter: 'avoid' },
          '& dd': { m: 0, mb: 1.5, breakInside: 'avoid' },
        }}
      >
        {faults.map(({ id, name, rule_out, remedy }) => (
          <Box key={id} sx={{ breakInside: 'avoid' }}>
            <dt>{name}</dt>
            <dd>
              {rule_out.length > 0 && <>First rule out: {rule_out.join('; ')}. </>}
              {remedy}
            </dd>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

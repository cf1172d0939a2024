import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { TextBox } from '../../base/form/TextBox';
import { LadderRails } from '../../draw/LadderRails';
import { Section } from '../../shell/Section';
import { placeOf } from '../../data/levelsOfHorse';
import { LevelList } from '../LevelList';
import { drawnLevels } from '../drawnLevels';
import type { ShownLadder } from '../../data/ladder';
import { useWho } from '../../data/who';
import { touchesLevel } from './changes';
import type { Program } from '../../data/programs';
import { EditorBar } from './EditorBar';
import { GateForm } from './GateForm';
import { HorsesOnIt } from './HorsesOnIt';
import { OneHorse } from './OneHorse';
import { Preview } from './Preview';
import { SchoolForm } from './SchoolForm';
import { useDraft } from './useDraft';
import { Versions } from './Versions';

interface Props {
  /** The ladder as it ships. */
  shipped: ShownLadder;
  /** Null for one that is not made yet. */
  program: Schemas['ShownProgram'] | null;
}

const nothing: Program = { name: '', schools: {}, gates: [] };

/** The editor: a program on the left, what it would change on the right. */
export function Editor({ shipped, program }: Props) {
  const { decides } = useWho();
  const programId = program?.program_id ?? 'new';
  const saved = program?.content ?? nothing;
  const draft = useDraft(programId, program?.version ?? null, saved);
  const [search, setSearch] = useSearchParams();
  const ladder = program?.ladder ?? shipped;
  const [asked = '', rung = ''] = (search.get('level') ?? '').split('/');
  const found = placeOf(ladder.levels, { skill: asked, rung });
  const [picked, setPicked] = useState<number | null>(found >= 0 ? found : null);
  const form = useRef<HTMLDivElement>(null);
  const pick = (place: number) => {
    setPicked(place);
    requestAnimationFrame(() => form.current?.scrollIntoView({ block: 'nearest' }));
    const level = ladder.levels[place]?.level;
    if (level)
      setSearch(
        (before) => ({ ...Object.fromEntries(before), level: `${level.skill}/${level.rung}` }),
        {
          replace: true,
        },
      );
  };
  const levels = drawnLevels(ladder).map((drawn) => ({
    ...drawn,
    changed: touchesLevel(draft.content, drawn.level),
  }));
  return (
    <>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: 2,
          alignItems: 'center',
          position: 'sticky',
          top: 0,
          zIndex: 2,
          py: 1,
          bgcolor: 'background.default',
        }}
      >
        <Typography variant="h1" sx={{ flex: '1 1 260px' }}>
          {draft.content.name?.trim() ? draft.content.name : program ? 'Program' : 'A new program'}
        </Typography>
        {decides && <EditorBar program={program} draft={draft} saved={saved} />}
      </Box>
      <Typography sx={{ color: 'text.secondary', maxWidth: 760 }}>
        A program is a difference from the standard ladder: the schools chosen, and the gates
        changed. Verdicts made before keep the version they were made with.
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 380px' },
          columnGap: 5,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          {decides && (
            <TextBox
              label="Name"
              becomes="Program/name"
              value={draft.content.name ?? ''}
              onChange={(event) =>
                draft.change({ ...draft.content, name: event.target.value }, 'name')
              }
              sx={{ mt: 2.5, width: '100%', maxWidth: 420 }}
            />
          )}
          <Section
            title="Gates"
            intro="Tap a rung to see its gate. Filled rungs are changed in this program."
          >
            <LadderRails levels={levels} tracks={ladder.tracks} picked={picked} onPick={pick} />
            <Box ref={form} sx={{ scrollMarginTop: '80px' }}>
              {picked !== null && ladder.levels[picked] && (
                <GateForm
                  shown={ladder.levels[picked]}
                  shipped={shippedGate(shipped, ladder.levels[picked])}
                  draft={draft}
                  mayChange={decides}
                />
              )}
              {picked !== null && ladder.levels[picked] && (
                <OneHorse content={draft.content} level={ladder.levels[picked].level} />
              )}
            </Box>
            <Box component="details">
              <Box
                component="summary"
                sx={{ cursor: 'pointer', minHeight: 44, pt: 1, fontWeight: 700 }}
              >
                Pick from a list
              </Box>
              <LevelList levels={levels} tracks={ladder.tracks} picked={picked} onPick={pick} />
            </Box>
          </Section>
          <SchoolForm questions={shipped.questions} draft={draft} mayChange={decides} />
        </Box>
        <Box sx={{ minWidth: 0, position: { lg: 'sticky' }, top: 76, alignSelf: 'start' }}>
          {decides && <Preview content={draft.content} programId={program?.program_id ?? null} />}
          {program && <HorsesOnIt program={program} mayChange={decides} />}
          {program && <Versions program={program} draft={draft} mayChange={decides} />}
        </Box>
      </Box>
    </>
  );
}

/** The gate a level has on the ladder as it ships; its own where a school brought it in. */
function shippedGate(shipped: ShownLadder, shown: Schemas['ShownLevel']): Schemas['Gate'] {
  return shipped.levels[placeOf(shipped.levels, shown.level)]?.gate ?? shown.gate;
}

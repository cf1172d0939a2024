import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FormSelect } from '../base/form/FormSelect';
import { OneSlider } from '../shell/OneSlider';
import { useLive } from '../base/core/useLive';
import { groundInWords, tapeInWords } from '../base/words/ground';
import { capital, count } from '../base/words/plain';
import { CourseName } from './CourseName';
import { DrillAsks } from './DrillAsks';
import type { DrillBook } from './drillDraft';
import { DrillDrawn } from './DrillDrawn';
import { useHistory } from './history';
import { LayDrawn } from './LayDrawn';
import { PlacingHandles } from './PlacingHandles';
import { PlanView } from './PlanView';
import type { Course, DrillPlan, Lay } from '../data/ground';

interface Props {
  placeId: string;
  lay: Lay | null;
  first: DrillPlan;
  book: DrillBook;
  course?: Course;
}

type Gait = 'walk' | 'jog' | 'trot' | 'lope';

/** A drill is laid into the place: its size, its rounds, what is asked in it, what to watch. */
export function DrillPlanner({ placeId, lay, first, book, course }: Props) {
  const { now: plan, put, slide, settle, ...history } = useHistory<DrillPlan>(first);
  const [gait, setGait] = useState<Gait>('jog');
  const { drill, size_ft, first: side, laps, placing } = plan;
  const live = useLive('drill', {
    plan: { drill, size_ft, first: side, laps, placing },
    gait,
    lay,
  });
  const said = live.output;
  const [usual, least, most] = said?.about.size_ft ?? [30, 10, 60];
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 6fr)' },
        columnGap: 4,
        rowGap: 2,
        mt: 2,
      }}
    >
      <Box>
        <PlanView
          shows={lay?.outline ?? said?.legs.flatMap(({ points }) => points) ?? []}
          label="Plan of the drill. It can be dragged and turned."
          height={720}
        >
          {lay && <LayDrawn lay={lay} />}
          {said && <DrillDrawn said={said} />}
          <PlacingHandles
            placing={plan.placing}
            what="drill"
            onSlide={(placing) => slide({ ...plan, placing })}
            onSettle={settle}
          />
        </PlanView>
        <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
          <Button onClick={history.undo} disabled={!history.canUndo}>
            Undo
          </Button>
          <Button onClick={history.redo} disabled={!history.canRedo}>
            Redo
          </Button>
        </Box>
        {(live.error ?? said?.says[0]) && (
          <Typography role="alert" sx={{ color: 'error.main', mt: 1 }}>
            {live.error ?? said?.says.join(' ')}
          </Typography>
        )}
      </Box>
      <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
        <CourseName
          key={course?.course_id ?? plan.drill}
          placeId={placeId}
          course={course}
          plan={plan}
          usual={book.find(({ kind }) => kind === plan.drill)?.name}
        />
        <FormSelect
          label="Drill"
          value={plan.drill}
          of={book.map(({ kind, name }): [DrillPlan['drill'], string] => [kind, name])}
          onPick={(drill) => {
            const known = book.find(({ kind }) => kind === drill);
            put({
              ...plan,
              drill,
              size_ft: known?.size_ft[0] ?? plan.size_ft,
              laps: known?.laps ?? plan.laps,
            });
          }}
        />
        {said && <Typography>{said.about.how}</Typography>}
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
          <FormSelect
            label="First to the"
            value={plan.first}
            of={[
              ['left', 'Left'],
              ['right', 'Right'],
            ]}
            onPick={(side) => put({ ...plan, first: side })}
          />
          <FormSelect
            label="Ridden at"
            value={gait}
            of={[
              ['walk', 'Walk'],
              ['jog', 'Jog'],
              ['trot', 'Trot'],
              ['lope', 'Lope'],
            ]}
            onPick={setGait}
          />
        </Box>
        <OneSlider
          label="Size"
          said={`${capital(said?.about.size_means ?? 'size')}: ${tapeInWords(plan.size_ft)}`}
          note={plan.size_ft === usual ? 'usual' : undefined}
          value={plan.size_ft}
          min={least!}
          max={most!}
          step={1}
          onChange={(_event, size_ft) => slide({ ...plan, size_ft })}
          onChangeCommitted={settle}
        />
        <OneSlider
          label="Rounds"
          said={count(plan.laps, 'round')}
          value={plan.laps}
          min={1}
          max={12}
          step={1}
          onChange={(_event, laps) => slide({ ...plan, laps })}
          onChangeCommitted={settle}
        />
        {said && (
          <Box component="section" aria-label="What it comes to">
            <Typography sx={{ fontSize: '1.2rem', fontWeight: 700 }}>
              {groundInWords(said.length_ft)}, {count(Math.round(said.strides), 'stride')}
            </Typography>
            <Typography sx={{ color: 'text.secondary' }}>
              {groundInWords(said.lap_ft)} a round
            </Typography>
            <DrillAsks asks={said.asks} watch={said.about.watch} gait={gait} />
          </Box>
        )}
      </Box>
    </Box>
  );
}

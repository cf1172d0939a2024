import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { FormSelect } from '../base/form/FormSelect';
import { saidOfAll } from '../base/form/problems';
import { Chip } from '../shell/Chip';
import { fenceWords, footingWords, keepOffWords } from '../base/words/ground';
import { DraftOnPlan } from './DraftOnPlan';
import { GeoJsonFile } from './GeoJsonFile';
import { useHistory } from './history';
import { closed, nothingDrawn, tapped, type LayDraft, type Tool } from './layDraft';
import { LayLists } from './LayLists';
import { placePath, useDrawLay, type Lay } from '../data/ground';
import { StartShape } from './StartShape';

const tools: [Tool, string, string][] = [
  ['corner', 'Fence', 'Tap each corner of the fence in turn.'],
  ['gate', 'Gate', 'Tap where the gate is; it goes to the fence line.'],
  ['post', 'Posts', 'Tap posts or corners you can hook a tape to.'],
  ['keep_off', 'Keep off', 'Tap round ruts, jumps or anything to stay away from, then close it.'],
  ['move', 'Move', 'Drag any mark. Two fingers or the wheel bring the plan nearer.'],
];

/** A place is drawn: by tapping, by typed measures, or from a GeoJSON file. */
export function DrawPlace({ placeId, lay }: { placeId: string; lay?: Lay }) {
  const history = useHistory<LayDraft>({ lay: lay ?? nothingDrawn, open: [] });
  const [tool, setTool] = useState<Tool>(lay ? 'move' : 'corner');
  const [keepOff, setKeepOff] = useState<keyof typeof keepOffWords>('ruts');
  const navigate = useNavigate();
  const save = useDrawLay(placeId);
  const draft = history.now;
  const put = (change: Partial<Lay>) => history.put({ ...draft, lay: { ...draft.lay, ...change } });
  const { undo, redo } = history;
  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      if (event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [undo, redo]);
  const bare = draft.lay.outline.length === 0;
  const how = tools.find(([name]) => name === tool)![2];
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 2fr) minmax(280px, 1fr)' },
        columnGap: 4,
        rowGap: 2,
        mt: 2,
      }}
    >
      <Box>
        <Box
          role="group"
          aria-label="What a tap adds"
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}
        >
          {tools.map(([name, words]) => (
            <Chip key={name} label={words} on={tool === name} onToggle={() => setTool(name)} />
          ))}
          <Box sx={{ ml: { md: 'auto' }, display: 'flex', gap: 1 }}>
            <Button onClick={undo} disabled={!history.canUndo}>
              Undo
            </Button>
            <Button onClick={redo} disabled={!history.canRedo}>
              Redo
            </Button>
          </Box>
        </Box>
        <Typography aria-live="polite" sx={{ my: 1, color: 'text.secondary' }}>
          {how}
        </Typography>
        <DraftOnPlan
          draft={draft}
          onTap={(at) =>
            tool !== 'move' && history.put(tapped(draft, tool, at, draft.lay.keep_off))
          }
          onSlide={history.slide}
          onSettle={history.settle}
        />
        {draft.open.length > 0 && (
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1, alignItems: 'center' }}>
            <Box sx={{ minWidth: 220 }}>
              <FormSelect
                label="What is there"
                value={keepOff}
                of={Object.entries(keepOffWords) as [typeof keepOff, string][]}
                onPick={setKeepOff}
              />
            </Box>
            <Button
              variant="contained"
              disabled={draft.open.length < 3}
              onClick={() => history.put(closed(draft, keepOff))}
            >
              Close this area
            </Button>
          </Box>
        )}
      </Box>
      <Box>
        {bare && <StartShape onShape={(outline) => put({ outline })} />}
        <Box sx={{ display: 'grid', gap: 1.5, mb: 2 }}>
          <FormSelect
            label="Fence"
            value={draft.lay.fence}
            of={Object.entries(fenceWords) as [Lay['fence'], string][]}
            onPick={(fence) => put({ fence })}
          />
          <FormSelect
            label="Ground"
            value={draft.lay.footing}
            of={Object.entries(footingWords) as [Lay['footing'], string][]}
            onPick={(footing) => put({ footing })}
          />
        </Box>
        <LayLists lay={draft.lay} onPut={put} />
        <GeoJsonFile
          lay={draft.lay}
          onRead={(read) => {
            history.put({ lay: read, open: [] });
            setTool('move');
          }}
        />
        {save.error && (
          <Typography role="alert" sx={{ color: 'error.main', mt: 2 }}>
            {saidOfAll(save.error, [])}
          </Typography>
        )}
        <Box sx={{ display: 'flex', gap: 1, mt: 3 }}>
          <Button
            variant="contained"
            sx={{ minHeight: 56, flex: 1 }}
            disabled={draft.lay.outline.length < 3 || save.isPending}
            onClick={() =>
              save.mutate(closed(draft, keepOff).lay, {
                onSuccess: () => void navigate(placePath(placeId)),
              })
            }
          >
            Save the drawing
          </Button>
          <Button sx={{ minHeight: 56 }} onClick={() => void navigate(placePath(placeId))}>
            Cancel
          </Button>
        </Box>
      </Box>
    </Box>
  );
}

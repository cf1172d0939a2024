import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { same } from './changes';
import { useSaveProgram, type Program } from '../../data/programs';
import type { Draft } from './useDraft';

interface Props {
  program: Schemas['ShownProgram'] | null;
  draft: Draft;
  saved: Program;
}

/** Undo, redo, back to the ladder as it ships, save. */
export function EditorBar({ program, draft, saved }: Props) {
  const save = useSaveProgram(program);
  const navigate = useNavigate();
  const { content } = draft;
  const changed = !same(content, saved);
  const isAsShipped =
    (content.gates ?? []).length === 0 && Object.keys(content.schools ?? {}).length === 0;
  const keep = () =>
    save.mutate(content, {
      onSuccess: ({ programId, version }) => {
        draft.settle(version, content);
        if (!program) void navigate(`/programs/${programId}`, { replace: true });
      },
    });
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
      <Button disabled={!draft.undo} onClick={() => draft.undo?.()}>
        Undo
      </Button>
      <Button disabled={!draft.redo} onClick={() => draft.redo?.()}>
        Redo
      </Button>
      <Button
        disabled={isAsShipped}
        onClick={() => draft.change({ ...content, gates: [], schools: {} })}
      >
        Reset all to standard
      </Button>
      <Button variant="contained" disabled={!changed || save.isPending} onClick={keep}>
        {program ? `Save as version ${program.version + 1}` : 'Save'}
      </Button>
      {save.isError && (
        <Typography role="alert" sx={{ width: '100%', color: 'error.main' }}>
          {save.error.message}
        </Typography>
      )}
    </Box>
  );
}

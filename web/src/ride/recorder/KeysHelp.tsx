import Button from '@mui/material/Button';
import { lazy, Suspense, useState } from 'react';
import type { Recorder } from './useRecorder';
import { useKey } from './useKey';

const HowToRecord = lazy(async () => ({ default: (await import('./HowToRecord')).HowToRecord }));

/** What leads to how to record; `?` opens it. */
export function KeysHelp({ recorder }: { recorder: Recorder }) {
  const [open, setOpen] = useState(false);
  useKey('?', () => setOpen(true));
  return (
    <>
      <Button
        variant="text"
        aria-label="How to record"
        onClick={() => setOpen(true)}
        sx={{ minWidth: 72, minHeight: 72, fontSize: '1.4rem', color: 'text.primary' }}
      >
        ?
      </Button>
      {open && (
        <Suspense fallback={null}>
          <HowToRecord recorder={recorder} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { FormFrame } from '../../base/form/FormFrame';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { horsePath } from '../../data/horse';
import { useWho } from '../../data/who';
import { Goals } from './Goals';
import { SheetFields, sheetFields } from './SheetFields';
import { sheetQuery, useChangeHorse, useSendHome } from '../../data/horses';

/** What is written down of a horse, its goals, going home. */
export function SheetPage() {
  const { horseId = '' } = useParams();
  const written = useQuery(sheetQuery(horseId));
  return (
    <PageFrame title="Horse">
      <QueryState query={written}>
        {(data) => <Written key={horseId} horseId={horseId} written={data} />}
      </QueryState>
    </PageFrame>
  );
}

function Written({ horseId, written }: { horseId: string; written: Schemas['HorseWritten'] }) {
  const navigate = useNavigate();
  const { decides } = useWho();
  const change = useChangeHorse(horseId);
  const [sheet, setSheet] = useState(written.sheet);
  if (!decides) return <Typography>Ask a trainer to change what is written down here.</Typography>;
  const back = () => void navigate(horsePath(horseId));
  return (
    <>
      <Typography variant="h1">{written.sheet.name}</Typography>
      <FormFrame
        label={written.sheet.name}
        save="Save"
        saving={change.isPending}
        onSave={() => change.mutate(sheet, { onSuccess: back })}
        onCancel={back}
        wrong={saidOfAll(change.error, sheetFields)}
      >
        <SheetFields sheet={sheet} onSheet={setSheet} wrong={fieldsOf(change.error)} />
      </FormFrame>
      <Goals horseId={horseId} goals={written.goals} programId={written.sheet.program_id} />
      <GoingHome horseId={horseId} written={written} />
    </>
  );
}

function GoingHome({ horseId, written }: { horseId: string; written: Schemas['HorseWritten'] }) {
  const sendHome = useSendHome(horseId);
  const gone = written.sent_home_at != null;
  return (
    <Section
      title="Going home"
      intro={
        gone
          ? 'At home now. Everything is kept; come back picks up where it was left.'
          : 'Off Today and the board; everything recorded stays, and comes back with the horse.'
      }
    >
      <Button disabled={sendHome.isPending} onClick={() => sendHome.mutate(!gone)}>
        {gone ? 'Comes back' : 'Send home'}
      </Button>
      {sendHome.isError && <Typography role="alert">{sendHome.error.message}</Typography>}
    </Section>
  );
}

import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { FormFrame } from '../../base/form/FormFrame';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { PageFrame } from '../../shell/PageFrame';
import { SheetFields, sheetFields } from './SheetFields';
import { useAddHorse, type Sheet } from '../../data/horses';

/** A new horse; an intake ride is offered for it at once. */
export function NewHorsePage() {
  const navigate = useNavigate();
  const add = useAddHorse();
  const [sheet, setSheet] = useState<Sheet>({
    name: '',
    sex: 'gelding',
    foaled: 0,
    color: '',
    markings: '',
    note: '',
    owner_id: null,
    program_id: null,
  });
  return (
    <PageFrame title="Add a horse">
      <Typography variant="h1">Add a horse</Typography>
      <FormFrame
        label="Add a horse"
        save="Add"
        saving={add.isPending}
        onSave={() =>
          add.mutate(sheet, {
            onSuccess: ({ horse_id }) => void navigate(`/horses/${horse_id}/intake`),
          })
        }
        onCancel={() => void navigate('/horses')}
        wrong={saidOfAll(add.error, sheetFields)}
      >
        <SheetFields sheet={sheet} onSheet={setSheet} wrong={fieldsOf(add.error)} />
      </FormFrame>
    </PageFrame>
  );
}

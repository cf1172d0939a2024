import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { RowsForm } from '../../base/form/RowsForm';
import { PageFrame } from '../../shell/PageFrame';
import { plainTable } from '../../shell/plainTable';
import { count } from '../../base/words/plain';
import { useRows } from '../../data/horses';

/** Several horses at once: a CSV file, or rows pasted from a sheet. */
export function SeveralPage() {
  const navigate = useNavigate();
  return (
    <PageFrame title="Add several horses">
      <Typography variant="h1">Add several horses</Typography>
      <Typography sx={{ maxWidth: 640, mt: 0.5 }}>
        Paste the rows of a sheet, or open a CSV file. The first row names the columns: name, sex,
        foaled (or age), color, and if you like markings, note, owner, program.
      </Typography>
      <RowsForm
        label="Add several horses"
        becomes="NewHorseRows/text"
        placeholder={'name, sex, age, color\nWillow, mare, 4, grulla'}
        rows={useRows()}
        addWords={({ horses }) => `Add ${count(horses.length, 'horse')}`}
        shown={({ horses }) => <Found horses={horses} />}
        onAdded={() => void navigate('/horses')}
      />
    </PageFrame>
  );
}

function Found({ horses }: Pick<Schemas['HorseRows'], 'horses'>) {
  return (
    <>
      {horses.length > 0 && (
        <>
          <Typography variant="h2">{count(horses.length, 'horse')} read</Typography>
          <Box component="table" sx={{ ...plainTable, mt: 1 }}>
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Sex</th>
                <th scope="col">Foaled</th>
                <th scope="col">Color</th>
              </tr>
            </thead>
            <tbody>
              {horses.map((horse) => (
                <tr key={horse.name}>
                  <td>{horse.name}</td>
                  <td>{horse.sex}</td>
                  <td>{horse.foaled}</td>
                  <td>{horse.color}</td>
                </tr>
              ))}
            </tbody>
          </Box>
        </>
      )}
    </>
  );
}

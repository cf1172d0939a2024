import Typography from '@mui/material/Typography';
import { RowsForm } from '../../base/form/RowsForm';
import { goesWords, handlingWords } from '../../base/words/herd';
import { count } from '../../base/words/plain';
import { useCowRows } from '../../data/cattle';

/** Several cattle at once: a CSV file, or rows pasted from a sheet. */
export function CowRows({ lotId, onDone }: { lotId: string; onDone: () => void }) {
  return (
    <>
      <Typography sx={{ maxWidth: 720, mt: 2 }}>
        Paste the rows of a sheet, or open a CSV file. The first row names the columns: tag, and if
        you like kind, weight, came, tempo (slow, medium, quick), handling (well, wild), note.
      </Typography>
      <RowsForm
        label="Add several from a list"
        becomes="NewCowRows/text"
        placeholder={'tag, tempo, handling\n214, slow, well'}
        rows={useCowRows(lotId)}
        addWords={({ cattle }) => `Add ${count(cattle.length, 'cow', 'cattle')}`}
        shown={({ cattle }) =>
          cattle.length > 0 && (
            <Typography sx={{ mt: 1 }}>
              {count(cattle.length, 'cow', 'cattle')} read:{' '}
              {cattle
                .map(
                  ({ tag, tempo, handling }) =>
                    `${tag} (${goesWords[tempo].toLowerCase()}${handling === 'wild' ? `, ${handlingWords.wild.toLowerCase()}` : ''})`,
                )
                .join(', ')}
            </Typography>
          )
        }
        onAdded={onDone}
        onCancel={onDone}
      />
    </>
  );
}

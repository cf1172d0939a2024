import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../base/api/client';
import { FormFrame } from '../base/form/FormFrame';
import { fieldsOf, saidOfAll } from '../base/form/problems';
import { Chip } from '../shell/Chip';
import { inchesOf, inchesTyped, inchUnit } from '../base/words/inches';
import { isCurb } from './bench';
import { LengthText } from './LengthText';
import { useFit, useTakeOff, type PieceForHorse } from '../data/tack';

interface Props {
  horseId: string;
  piece: PieceForHorse;
  onDone: () => void;
}

const typed = (value: number | null | undefined) => (value == null ? '' : inchesTyped(value));
const howTo = 'Type a length, such as 4 1/2 or 4.5';

/** How a piece sits on a horse: jaw, mouth, strap and its holes. */
export function FittingForm({ horseId, piece, onDone }: Props) {
  const { fitting } = piece;
  const fit = useFit();
  const takeOff = useTakeOff();
  const [worn, setWorn] = useState(piece.worn || piece.stopped.length === 0);
  const [draft, setDraft] = useState({
    jaw: typed(fitting?.jaw_in),
    mouth: typed(fitting?.mouth_in),
    half: typed(fitting?.strap?.half_length_in),
    spacing: typed(fitting?.strap?.hole_spacing_in ?? 0.5),
    shorter: String(fitting?.strap?.holes_shorter ?? 3),
    longer: String(fitting?.strap?.holes_longer ?? 3),
  });
  const [tried, setTried] = useState(false);
  const said = fieldsOf(fit.error);
  const curb = isCurb(piece);
  const bit = curb || piece.kind === 'snaffle' || piece.kind === 'shank';
  const read = (text: string) => (text.trim() === '' ? undefined : inchesOf(text));
  const lengths = { jaw: read(draft.jaw), mouth: read(draft.mouth), half: read(draft.half) };
  const spacing = read(draft.spacing);
  const wrong = Object.values(lengths).includes(null) || spacing === null;
  const save = () => {
    setTried(true);
    if (wrong) return;
    const strap: Schemas['Strap'] | undefined =
      curb && lengths.half != null
        ? {
            half_length_in: lengths.half,
            hole_spacing_in: spacing ?? 0.5,
            holes_shorter: Number(draft.shorter) || 0,
            holes_longer: Number(draft.longer) || 0,
          }
        : undefined;
    const body = {
      worn,
      fitting: {
        jaw_in: lengths.jaw ?? null,
        mouth_in: lengths.mouth ?? null,
        strap: strap ?? null,
      },
    };
    fit.mutate({ horseId, gearId: piece.gear_id, body }, { onSuccess: onDone });
  };
  const text = (field: keyof typeof draft, label: string, at: string, isLength = true) => (
    <LengthText
      label={isLength ? `${label} (${inchUnit()})` : label}
      value={draft[field]}
      onText={(value) => setDraft({ ...draft, [field]: value })}
      wrong={
        (tried && isLength && read(draft[field]) === null ? howTo : undefined) ??
        said[`/fitting${at}`]
      }
    />
  );
  return (
    <FormFrame
      label={`Fit ${piece.name}`}
      save="Save"
      saving={fit.isPending}
      onSave={save}
      onCancel={onDone}
      wrong={saidOfAll(fit.error, [
        '/fitting/jaw_in',
        '/fitting/mouth_in',
        '/fitting/strap/half_length_in',
        '/fitting/strap/hole_spacing_in',
      ])}
    >
      <Box>
        <Chip label="Wears it from now on" on={worn} onToggle={() => setWorn(!worn)} />
      </Box>
      {bit && text('mouth', 'Mouth, from lip to lip', '/mouth_in')}
      {curb && (
        <>
          {text('jaw', 'Jaw, from mouthpiece to chin groove', '/jaw_in')}
          {text('half', 'Strap, from curb ring to the middle of the chin', '/strap/half_length_in')}
          {text('spacing', 'From hole to hole', '/strap/hole_spacing_in')}
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
            {text('shorter', 'Holes left to take it up', '/strap/holes_shorter', false)}
            {text('longer', 'Holes left to let it out', '/strap/holes_longer', false)}
          </Box>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Two fingers flat under it, and it takes hold between about 30 and 45 degrees of turn.
          </Typography>
        </>
      )}
      {piece.fitting && (
        <Box>
          <Button
            onClick={() =>
              takeOff.mutate({ horseId, gearId: piece.gear_id }, { onSuccess: onDone })
            }
          >
            Take it off this horse&apos;s list
          </Button>
        </Box>
      )}
    </FormFrame>
  );
}

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Schemas } from '../base/api/client';
import { TackDrawing } from '../draw/TackDrawing';
import { FormFrame } from '../base/form/FormFrame';
import { FormSelect } from '../base/form/FormSelect';
import { FormText } from '../base/form/FormText';
import { fieldsOf, saidOfAll } from '../base/form/problems';
import { QueryState } from '../shell/QueryState';
import { Chip } from '../shell/Chip';
import { PageFrame } from '../shell/PageFrame';
import { inchUnit } from '../base/words/inches';
import { capital } from '../base/words/plain';
import { cheekWords, curbWords, handWords, mouthpieceWords, reinWords } from '../base/words/tack';
import { gearWords } from '../base/words/yard';
import { gearQuery, usePutGear, type Piece } from '../data/yard';
import { draftOf, lengths, partsOf, readDraft, type GearDraft } from './gearDraft';
import { LengthText } from './LengthText';
import { piecePath } from '../data/tack';

/** A piece is added or changed; it is drawn to scale while it is measured. */
export function PieceFormPage() {
  const { gearId } = useParams();
  const gear = useQuery(gearQuery);
  return (
    <PageFrame title="Tack">
      {gearId ? (
        <QueryState query={gear}>
          {(pieces) => <Form piece={pieces.find(({ gear_id }) => gear_id === gearId)} />}
        </QueryState>
      ) : (
        <Form />
      )}
    </PageFrame>
  );
}

const none = (words: string): [string, string] => ['', words];

function pick<K extends string>(words: Record<K, string>, unsaid = 'Not said') {
  return [none(unsaid), ...Object.entries(words)] as [K | '', string][];
}

function Form({ piece }: { piece?: Piece }) {
  const [draft, setDraft] = useState<GearDraft>(() => draftOf(piece));
  const [tried, setTried] = useState(false);
  const put = usePutGear();
  const navigate = useNavigate();
  const set = (change: Partial<GearDraft>) => setDraft({ ...draft, ...change });
  const { sheet, wrong } = readDraft(draft);
  const said = fieldsOf(put.error);
  const parts = partsOf(draft);
  const back = piece ? piecePath(piece.gear_id) : '/yard';
  const save = () => {
    setTried(true);
    if (Object.keys(wrong).length > 0) return;
    put.mutate(
      { id: piece?.gear_id, sheet },
      {
        onSuccess: (made) =>
          void navigate(made ? piecePath((made as Schemas['AddedToYard']).id) : back, {
            replace: true,
          }),
      },
    );
  };
  const ofMeasure = (field: string) => said[`/measures/${field}`];
  const shown = ['/name', '/kind', '/note', ...lengths.map(([field]) => `/measures/${field}`)];
  return (
    <>
      <Typography variant="h1">{piece ? `Change ${piece.name}` : 'Add a piece of gear'}</Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 560px) minmax(0, 1fr)' },
          columnGap: 5,
        }}
      >
        <FormFrame
          label={piece ? `Change ${piece.name}` : 'Add a piece of gear'}
          save="Save"
          saving={put.isPending}
          onSave={save}
          onCancel={() => void navigate(back)}
          wrong={saidOfAll(put.error, shown)}
        >
          <FormText
            label="Name"
            becomes="GearSheet/name"
            value={draft.name}
            onText={(name) => set({ name })}
            wrong={said['/name']}
            autoComplete="off"
          />
          <FormSelect
            label="Kind"
            value={draft.kind}
            of={Object.entries(gearWords) as [Schemas['GearKind'], string][]}
            onPick={(kind) => set({ kind })}
            wrong={said['/kind']}
          />
          {parts.has('bit') && (
            <>
              <FormSelect
                label="Mouthpiece"
                value={draft.mouthpiece}
                of={pick(mouthpieceWords)}
                onPick={(mouthpiece) => set({ mouthpiece })}
                wrong={ofMeasure('mouthpiece')}
              />
              <FormSelect
                label="Cheeks"
                value={draft.cheek}
                of={pick(cheekWords)}
                onPick={(cheek) => set({ cheek })}
                wrong={ofMeasure('cheek')}
              />
            </>
          )}
          {lengths
            .filter(([, , part]) => parts.has(part))
            .map(([field, words]) => (
              <LengthText
                key={field}
                label={`${words} (${inchUnit()})`}
                value={draft.typed[field] ?? ''}
                onText={(text) => set({ typed: { ...draft.typed, [field]: text } })}
                wrong={(tried ? wrong[field] : undefined) ?? ofMeasure(field)}
              />
            ))}
          {parts.has('shank') && (
            <>
              <FormSelect
                label="Round the chin"
                value={draft.curb}
                of={pick(curbWords)}
                onPick={(curb) => set({ curb })}
              />
              <FormSelect
                label="Lies flat"
                value={draft.curbFlat}
                of={pick({ yes: 'Yes', no: 'No' })}
                onPick={(curbFlat) => set({ curbFlat })}
              />
            </>
          )}
          {parts.size > 0 && (
            <>
              <FormSelect
                label="Reins"
                value={draft.reins}
                of={pick(reinWords)}
                onPick={(reins) => set({ reins })}
              />
              <LengthText
                label="Weight (oz)"
                value={draft.weight}
                onText={(weight) => set({ weight })}
                wrong={(tried ? wrong.weight_oz : undefined) ?? ofMeasure('weight_oz')}
              />
              <Box>
                <Chip
                  label="Quiet hands only"
                  on={draft.quietHands}
                  onToggle={() => set({ quietHands: !draft.quietHands })}
                />
                <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
                  Only people you cleared for it can be planned, or start a ride, in this piece.
                </Typography>
              </Box>
              <FormSelect
                label="Most in the hand"
                value={draft.mostHand}
                of={
                  [
                    none('As usual for its kind'),
                    ...Object.entries(handWords).map(([k, words]): [string, string] => [
                      k,
                      capital(words),
                    ]),
                  ] as [GearDraft['mostHand'], string][]
                }
                onPick={(mostHand) => set({ mostHand })}
              />
            </>
          )}
          <FormText
            label="Notes"
            becomes="GearSheet/note"
            value={draft.note}
            onText={(note) => set({ note })}
            wrong={said['/note']}
            autoComplete="off"
          />
        </FormFrame>
        {parts.size > 0 && (
          <Box sx={{ mt: 2, position: { md: 'sticky' }, top: { md: 80 }, alignSelf: 'start' }}>
            <TackDrawing
              name={draft.name || 'New piece'}
              kind={draft.kind}
              measures={sheet.measures ?? {}}
              scale={36}
              measured
            />
            <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
              Drawn from what you measured. What is dashed is not measured yet.
            </Typography>
          </Box>
        )}
      </Box>
    </>
  );
}

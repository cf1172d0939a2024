import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { UseQueryResult } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { YardForm, type YardDraft, type YardNumber } from './YardForm';

/** What every thing of the yard has. */
interface Thing<K extends string> {
  name: string;
  kind: K;
  note?: string;
  opens?: string | null;
  closes?: string | null;
  put_away_at?: string | null;
}

interface Props<K extends string, T extends Thing<K>> {
  title: string;
  one: string;
  empty: string;
  query: UseQueryResult<T[]>;
  of: (thing: T) => { id: string; about: string };
  /** Where more of it is to be found. */
  pageOf?: (thing: T) => string;
  kinds: [K, string][];
  number?: YardNumber;
  /** The sheet of the API whose bounds hold. */
  becomes: string;
  hasNote?: boolean;
  hasHours?: boolean;
  saving: { isPending: boolean; error: Error | null; reset: () => void };
  onSave: (id: string | undefined, draft: YardDraft<K>, done: () => void) => void;
  onPutAway: (id: string, away: boolean) => void;
}

/** One list of the yard: added to, changed in place, put away and taken out again. */
export function YardList<K extends string, T extends Thing<K>>(props: Props<K, T>) {
  const { title, one, empty, query } = props;
  const { decides } = useWho();
  const [open, setOpen] = useState<string>();
  const edit = (id: string | undefined) => {
    props.saving.reset();
    setOpen(id);
  };
  return (
    <Section title={title}>
      <QueryState query={query}>
        {(things) => (
          <>
            {things.length === 0 && <Typography sx={{ maxWidth: 560 }}>{empty}</Typography>}
            <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 720 }}>
              {things.map((thing) => {
                const { id } = props.of(thing);
                return (
                  <Box
                    component="li"
                    key={id}
                    sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1 }}
                  >
                    {open === id ? (
                      <EditThing {...props} thing={thing} onDone={() => edit(undefined)} />
                    ) : (
                      <ThingRow {...props} thing={thing} onEdit={() => edit(id)} />
                    )}
                  </Box>
                );
              })}
            </Box>
            {decides &&
              (open === 'new' ? (
                <EditThing {...props} onDone={() => edit(undefined)} />
              ) : (
                <Button onClick={() => edit('new')} sx={{ mt: 1.5, minHeight: 56 }}>
                  Add {one}
                </Button>
              ))}
          </>
        )}
      </QueryState>
    </Section>
  );
}

type RowProps<K extends string, T extends Thing<K>> = Props<K, T> & { thing: T };

function ThingRow<K extends string, T extends Thing<K>>({
  thing,
  of,
  pageOf,
  onEdit,
  onPutAway,
}: RowProps<K, T> & { onEdit: () => void }) {
  const { decides } = useWho();
  const { id, about } = of(thing);
  const away = thing.put_away_at != null;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
      <Box sx={{ flex: '1 1 200px' }}>
        <Typography variant="h3">
          {pageOf ? <Link to={pageOf(thing)}>{thing.name}</Link> : thing.name}
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {about}
          {away && ', put away'}
          {thing.note && `. ${thing.note}`}
        </Typography>
      </Box>
      {decides && (
        <Box sx={{ display: 'flex', gap: 1, ml: 'auto' }}>
          <Button onClick={onEdit} aria-label={`Change ${thing.name}`}>
            Change
          </Button>
          <Button
            onClick={() => onPutAway(id, !away)}
            aria-label={away ? `Use ${thing.name} again` : `Put ${thing.name} away`}
          >
            {away ? 'Use again' : 'Put away'}
          </Button>
        </Box>
      )}
    </Box>
  );
}

function EditThing<K extends string, T extends Thing<K>>({
  thing,
  onDone,
  ...props
}: Props<K, T> & { thing?: T; onDone: () => void }) {
  const { kinds, number, of, onSave, saving } = props;
  const known =
    thing && number ? (thing as unknown as Record<string, number>)[number.field] : undefined;
  return (
    <YardForm
      label={thing ? `Change ${thing.name}` : `Add ${props.one}`}
      first={{
        name: thing?.name ?? '',
        kind: thing?.kind ?? kinds[0]![0],
        number: known ?? number?.fresh ?? 0,
        note: thing?.note ?? '',
        opens: thing?.opens?.slice(0, 5) ?? '',
        closes: thing?.closes?.slice(0, 5) ?? '',
      }}
      kinds={kinds}
      number={number}
      becomes={props.becomes}
      hasNote={props.hasNote}
      hasHours={props.hasHours}
      saving={saving}
      onSave={(draft) => onSave(thing && of(thing).id, draft, onDone)}
      onCancel={onDone}
    />
  );
}

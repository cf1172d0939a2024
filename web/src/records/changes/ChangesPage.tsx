import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { infiniteQueryOptions, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useSearchParams } from 'react-router';
import { answer, client, type Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { horsesQuery } from '../../data/horse';
import { peopleQuery } from '../../data/people';
import { useWho } from '../../data/who';
import { clockIn, dayIn, saidDay } from '../../base/words/days';
import { capital } from '../../base/words/plain';

interface Wanted {
  person_id?: string;
  horse_id?: string;
  words?: string;
}

const deedsQuery = (wanted: Wanted) =>
  infiniteQueryOptions({
    queryKey: ['deeds', wanted],
    queryFn: ({ pageParam }) =>
      answer(
        client.GET('/api/deeds', {
          params: { query: { ...wanted, ...(pageParam && { after: pageParam }) } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: ({ next }) => next ?? undefined,
  });

/** Who changed what, searched by person, horse and words. */
export function ChangesPage() {
  const [search, setSearch] = useSearchParams();
  const [words, setWords] = useState(search.get('words') ?? '');
  const asked = useDeferredValue(words.trim());
  const people = useQuery(peopleQuery);
  const horses = useQuery(horsesQuery);
  const [person, horse] = [search.get('person') ?? '', search.get('horse') ?? ''];
  const set = (name: string, value: string) =>
    setSearch(
      (before) => {
        if (value) before.set(name, value);
        else before.delete(name);
        return before;
      },
      { replace: true },
    );
  const deeds = useInfiniteQuery(
    deedsQuery({
      ...(person && { person_id: person }),
      ...(horse && { horse_id: horse }),
      ...(asked && { words: asked }),
    }),
  );
  return (
    <PageFrame title="Who changed what">
      <Typography variant="h1">Who changed what</Typography>
      <Typography sx={{ maxWidth: 680, mt: 0.5 }}>
        Every change to the barn. Asks and rides have their own history, on each ride&apos;s page.
      </Typography>
      <Box role="search" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, my: 2 }}>
        <TextField
          label="Look for"
          value={words}
          onChange={({ target }) => {
            setWords(target.value);
            set('words', target.value.trim());
          }}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          sx={{ flex: '1 1 220px', maxWidth: 360 }}
        />
        <Box sx={{ width: 200 }}>
          <FormSelect
            label="By"
            value={person}
            of={[
              ['', 'Anybody'],
              ...(people.data ?? []).map((one): [string, string] => [one.person_id, one.name]),
            ]}
            onPick={(next) => set('person', next)}
          />
        </Box>
        <Box sx={{ width: 200 }}>
          <FormSelect
            label="About"
            value={horse}
            of={[
              ['', 'Anything'],
              ...(horses.data ?? []).map((one): [string, string] => [one.horse_id, one.name]),
            ]}
            onPick={(next) => set('horse', next)}
          />
        </Box>
      </Box>
      <QueryState query={deeds}>
        {({ pages }) => (
          <>
            <Found deeds={pages.flatMap((page) => page.deeds)} />
            {deeds.hasNextPage && (
              <Button
                disabled={deeds.isFetchingNextPage}
                onClick={() => void deeds.fetchNextPage()}
                sx={{ mt: 1.5, minHeight: 48 }}
              >
                Further back
              </Button>
            )}
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}

function Found({ deeds }: { deeds: Schemas['DeedShown'][] }) {
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  if (deeds.length === 0) return <Typography role="status">Nothing found.</Typography>;
  return (
    <Box component="ul" aria-label="Changes" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 860 }}>
      {deeds.map(({ deed_id, at, person, did, horse, said }) => (
        <Box
          component="li"
          key={deed_id}
          sx={{ py: 1, borderTop: '1px solid', borderColor: 'divider' }}
        >
          <Typography>
            <strong>{person}</strong> {did}
            {horse && `: ${horse}`}
          </Typography>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            {capital(saidDay(dayIn(time_zone, new Date(at)), today))}, {clockIn(time_zone, at)}
          </Typography>
          {said != null && (
            <Box component="details">
              <Box component="summary" sx={{ cursor: 'pointer', minHeight: 32, py: 0.5 }}>
                What was sent
              </Box>
              <Box
                component="pre"
                sx={{ m: 0, overflowX: 'auto', fontSize: '0.875rem' }}
                tabIndex={0}
              >
                {JSON.stringify(said, null, 2)}
              </Box>
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}

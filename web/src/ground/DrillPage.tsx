import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useParams, useSearchParams } from 'react-router';
import { FormSelect } from '../base/form/FormSelect';
import { QueryState } from '../shell/QueryState';
import { NoPage } from '../shell/NoPage';
import { PageFrame } from '../shell/PageFrame';
import { Waiting } from '../shell/Waiting';
import { placesQuery } from '../data/yard';
import { newDrill, type DrillBook } from './drillDraft';
import { DrillPlanner } from './DrillPlanner';
import { layQuery } from '../data/ground';
import { useDrillBook } from './useDrillBook';

/** A drill from the card: drawn to scale in the place that is chosen. */
export function DrillPage() {
  const { drill } = useParams();
  const [search, setSearch] = useSearchParams();
  const places = useQuery(placesQuery);
  const book = useDrillBook();
  const about = book?.find(({ kind }) => kind === drill);
  if (!book || !about)
    return <PageFrame title="Drill">{book ? <NoPage /> : <Waiting label="Opening" />}</PageFrame>;
  return (
    <PageFrame title="Drill">
      <Typography variant="h1">{about.name}</Typography>
      <QueryState query={places}>
        {(all) => {
          const open = all.filter(({ put_away_at }) => put_away_at == null);
          const place = open.find(({ place_id }) => place_id === search.get('place')) ?? open[0];
          if (!place) return <Typography>Add a place on the yard page first.</Typography>;
          return (
            <>
              <Box sx={{ maxWidth: 320, mt: 2 }}>
                <FormSelect
                  label="In"
                  value={place.place_id}
                  of={open.map(({ place_id, name: called }): [string, string] => [
                    place_id,
                    called,
                  ])}
                  onPick={(placeId) => setSearch({ place: placeId }, { replace: true })}
                />
              </Box>
              <InPlace
                key={`${place.place_id} ${about.kind}`}
                placeId={place.place_id}
                drill={about.kind}
                book={book}
              />
            </>
          );
        }}
      </QueryState>
    </PageFrame>
  );
}

interface InPlaceProps {
  placeId: string;
  drill: string;
  book: DrillBook;
}

function InPlace({ placeId, drill, book }: InPlaceProps) {
  const lay = useQuery(layQuery(placeId));
  return (
    <QueryState query={lay}>
      {(drawn) => (
        <DrillPlanner
          placeId={placeId}
          lay={drawn}
          book={book}
          first={newDrill(drawn, book, drill)}
        />
      )}
    </QueryState>
  );
}

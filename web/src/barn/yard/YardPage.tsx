import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { cowTrainerPath } from '../../data/cowRounds';
import type { Schemas } from '../../base/api/client';
import { PageFrame } from '../../shell/PageFrame';
import { placePath } from '../../data/ground';
import { lotPath, matchPath } from '../../data/cattle';
import { useWho } from '../../data/who';
import { TackShelf } from '../../tack/TackShelf';
import { cattleWords, placeWords } from '../../base/words/yard';
import { clock } from '../../base/words/days';
import { count } from '../../base/words/plain';
import {
  cattleQuery,
  placesQuery,
  usePutCattle,
  usePutCattleAway,
  usePutPlace,
  usePutPlaceAway,
} from '../../data/yard';
import { YardList } from './YardList';

/** Places and cattle by name and kind, and the tack on its shelf. */
export function YardPage() {
  const { records } = useWho();
  return (
    <PageFrame title="Yard">
      <Typography variant="h1">Yard</Typography>
      <Places />
      <TackShelf />
      <Cattle />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 1 }}>
        {records && (
          <Button component={Link} to={matchPath()} sx={{ minHeight: 56 }}>
            Which cow for which horse
          </Button>
        )}
        {records && (
          <Button component={Link} to="/yard/flag" sx={{ minHeight: 56 }}>
            Flag
          </Button>
        )}
        <Button component={Link} to={cowTrainerPath} sx={{ minHeight: 56 }}>
          Cow trainer
        </Button>
      </Box>
    </PageFrame>
  );
}

function Places() {
  const places = useQuery(placesQuery);
  const put = usePutPlace();
  const away = usePutPlaceAway();
  return (
    <YardList
      title="Places"
      one="a place"
      empty="No place yet. Add the arena or pen you ride in; rides are planned there."
      query={places}
      of={(place) => ({
        id: place.place_id,
        about: `${placeWords[place.kind]}, ${count(place.horses_at_once, 'horse')} at once${
          place.opens && place.closes
            ? `, open ${clock(place.opens)} to ${clock(place.closes)}`
            : ''
        }`,
      })}
      pageOf={(place) => placePath(place.place_id)}
      kinds={Object.entries(placeWords) as [keyof typeof placeWords, string][]}
      number={{ field: 'horses_at_once', label: 'Horses at once', fresh: 3 }}
      becomes="PlaceSheet"
      hasHours
      saving={put}
      onSave={(id, { name, kind, number, opens, closes }, done) =>
        put.mutate(
          {
            id,
            sheet: {
              name,
              kind,
              horses_at_once: number,
              opens: opens ? `${opens}:00` : null,
              closes: closes ? `${closes}:00` : null,
            },
          },
          { onSuccess: done },
        )
      }
      onPutAway={(id, isAway) => away.mutate({ id, away: isAway })}
    />
  );
}

function Cattle() {
  const cattle = useQuery(cattleQuery);
  const put = usePutCattle();
  const away = usePutCattleAway();
  return (
    <YardList
      title="Cattle"
      one="a lot of cattle"
      empty="No cattle yet. Add a lot when you have one to work."
      query={cattle}
      of={(lot) => ({
        id: lot.lot_id,
        about: `${lot.head} head, ${cattleWords[lot.kind].toLowerCase()}`,
      })}
      pageOf={(lot) => lotPath(lot.lot_id)}
      kinds={Object.entries(cattleWords) as [keyof typeof cattleWords, string][]}
      number={{ field: 'head', label: 'Head', fresh: 10 }}
      becomes="CattleLotSheet"
      hasNote
      saving={put}
      onSave={(id, { name, kind, number, note }, done) =>
        put.mutate(
          { id, sheet: { ...capsOf(cattle.data, id), name, kind, head: number, note } },
          { onSuccess: done },
        )
      }
      onPutAway={(id, isAway) => away.mutate({ id, away: isAway })}
    />
  );
}

/** What one cow may be used for stays as it is on the page of the lot. */
function capsOf(lots: Schemas['LotOfYard'][] | undefined, id: string | undefined) {
  const lot = lots?.find(({ lot_id }) => lot_id === id);
  return lot && { works_a_day: lot.works_a_day, minutes_a_day: lot.minutes_a_day };
}

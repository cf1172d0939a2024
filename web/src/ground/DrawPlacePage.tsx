import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { QueryState } from '../shell/QueryState';
import { NoPage } from '../shell/NoPage';
import { PageFrame } from '../shell/PageFrame';
import { placesQuery } from '../data/yard';
import { DrawPlace } from './DrawPlace';
import { layQuery } from '../data/ground';

/** Where a place is drawn, or drawn anew. */
export function DrawPlacePage() {
  const { placeId = '' } = useParams();
  const places = useQuery(placesQuery);
  const lay = useQuery(layQuery(placeId));
  return (
    <PageFrame title="Draw the place">
      <QueryState query={places}>
        {(all) => {
          const place = all.find(({ place_id }) => place_id === placeId);
          if (!place) return <NoPage />;
          return (
            <>
              <Typography variant="h1">Draw {place.name}</Typography>
              <QueryState query={lay}>
                {(drawn) => <DrawPlace key={placeId} placeId={placeId} lay={drawn ?? undefined} />}
              </QueryState>
            </>
          );
        }}
      </QueryState>
    </PageFrame>
  );
}

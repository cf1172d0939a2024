import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { tripsQuery } from '../../data/care';
import { Section } from '../../shell/Section';

/** Trips with the trailer, and how many of them asked nothing. */
export function TripsLine({ horseId }: { horseId: string }) {
  const trips = useQuery(tripsQuery);
  const own = trips.data?.find(({ horse_id }) => horse_id === horseId);
  if (!own) return null;
  return (
    <Section id="trips" title="Trips" intro="The last twelve weeks and the coming two.">
      <Typography sx={{ maxWidth: 620 }}>{own.text}</Typography>
    </Section>
  );
}

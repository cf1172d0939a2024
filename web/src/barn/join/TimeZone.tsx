import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { answer, client } from '../../base/api/client';

interface Props {
  value: string;
  onZone: (zone: string) => void;
  wrong?: string;
}

/** Where the barn is: its days begin there. */
export function TimeZone({ value, onZone, wrong }: Props) {
  const zones = useQuery({
    queryKey: ['timeZones'],
    queryFn: () => answer(client.GET('/api/time-zones')),
    staleTime: Infinity,
  });
  return (
    <Autocomplete
      options={zones.data ?? [value]}
      value={value}
      disableClearable
      onChange={(_, zone) => onZone(zone)}
      renderInput={(props) => (
        <TextField
          {...props}
          label="Time zone"
          error={wrong !== undefined}
          helperText={wrong ?? "Days are counted on this clock, whatever a phone's clock says"}
        />
      )}
    />
  );
}

import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

export type Device = Schemas['Device'];

/** Devices are looked at as often while the page is open. */
const lookMs = 2_000;

export const devicesQuery = queryOptions({
  queryKey: ['barnDevices'],
  queryFn: () => answer(client.GET('/api/devices')),
  refetchInterval: lookMs,
});

export function usePlug(device: Device) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (plugged_in: boolean) =>
      answer(
        client.PUT('/api/devices/{device}', { params: { path: { device } }, body: { plugged_in } }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: devicesQuery.queryKey }),
  });
}

import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

export type Intake = Schemas['Intake'];
export type FoundLevel = Intake['levels'][number];
export type Story = Schemas['IntakeStory'];

/** Nothing is said yet; 45 minutes are usual. */
export const noStory: Required<Story> = {
  age_years: null,
  days_ridden: null,
  worked_on: [],
  ridden_in: [],
  minutes: 45,
  at_hand: [],
  helper: false,
};

export const intakePath = (horseId: string) => `/horses/${horseId}/intake`;

/** Where a new horse stands, as far as its intake has come. */
export const intakeQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['intake', horseId],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/intake', { params: { path: { horse_id: horseId } } }),
      ),
  });

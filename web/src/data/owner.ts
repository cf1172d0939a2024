import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export type OwnersView = Schemas['OwnersView'];
export type ToldMonth = Schemas['ToldMonth'];
export type ReportSection = Schemas['ReportSection'];
export type OwnersReport = Schemas['OwnersReport'];

export const ownersPath = (horseId: string) => `/horses/${horseId}/owner`;
export const reportPath = (reportId: string) => `/reports/${reportId}`;

const ofHorse = (horseId: string) => ({ params: { path: { horse_id: horseId } } });
const ofReport = (reportId: string) => ({ params: { path: { report_id: reportId } } });

export const ownersViewQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['horse', horseId, 'owners view'],
    queryFn: () => answer(client.GET('/api/horses/{horse_id}/owners-view', ofHorse(horseId))),
  });

export const reportsQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['horse', horseId, 'reports'],
    queryFn: () => answer(client.GET('/api/horses/{horse_id}/reports', ofHorse(horseId))),
  });

export const reportQuery = (reportId: string) =>
  queryOptions({
    queryKey: ['report', reportId],
    queryFn: () => answer(client.GET('/api/reports/{report_id}', ofReport(reportId))),
  });

export const horseLinksQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['horse', horseId, 'links'],
    queryFn: () => answer(client.GET('/api/horses/{horse_id}/links', ofHorse(horseId))),
  });

export const writtenWordsQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['horse', horseId, 'written'],
    queryFn: () =>
      answer(client.GET('/api/horses/{horse_id}/owner-notes/written', ofHorse(horseId))),
  });

/** What a link shows; its word is asked with, and kept nowhere. */
export const linkViewQuery = (word: string) =>
  queryOptions({
    queryKey: ['linkView', word],
    queryFn: () => answer(client.POST('/api/horse-links/open', { body: { word } })),
    retry: false,
    gcTime: 0,
  });

export const linkReportQuery = (word: string, reportId: string) =>
  queryOptions({
    queryKey: ['linkReport', word, reportId],
    queryFn: () =>
      answer(client.POST('/api/horse-links/report', { body: { word, report_id: reportId } })),
    retry: false,
    gcTime: 0,
  });

export const useMakeHorseLink = (horseId: string) =>
  useSave((body: Schemas['NewHorseLink']) =>
    answer(client.POST('/api/horses/{horse_id}/links', { ...ofHorse(horseId), body })),
  );

export const useRevokeHorseLink = () =>
  useSave((linkId: string) =>
    answer(client.DELETE('/api/horse-links/{link_id}', { params: { path: { link_id: linkId } } })),
  );

export const useTellOwner = (horseId: string) =>
  useSave((body: Schemas['NewOwnerNote']) =>
    answer(client.POST('/api/horses/{horse_id}/owner-notes', { ...ofHorse(horseId), body })),
  );

const ofNote = (noteId: string) => ({ params: { path: { note_id: noteId } } });

export const useTakeBackNote = () =>
  useSave((noteId: string) => answer(client.DELETE('/api/owner-notes/{note_id}', ofNote(noteId))));

export const useBringBackNote = () =>
  useSave((noteId: string) =>
    answer(client.POST('/api/owner-notes/{note_id}/bring-back', ofNote(noteId))),
  );

export const useWriteReport = (horseId: string) =>
  useSave((month: string) =>
    answer(
      client.POST('/api/horses/{horse_id}/reports', {
        params: { path: { horse_id: horseId }, query: { month } },
      }),
    ),
  );

export const useChangeReport = (reportId: string) =>
  useSave((sections: ReportSection[]) =>
    answer(client.PUT('/api/reports/{report_id}', { ...ofReport(reportId), body: { sections } })),
  );

export const useSendReport = (reportId: string) =>
  useSave((send: boolean) =>
    answer(
      client.POST(
        send ? '/api/reports/{report_id}/send' : '/api/reports/{report_id}/draft',
        ofReport(reportId),
      ),
    ),
  );

export const useTakeBackReport = (reportId: string) =>
  useSave(() => answer(client.DELETE('/api/reports/{report_id}', ofReport(reportId))));

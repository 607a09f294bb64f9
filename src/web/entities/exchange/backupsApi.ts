import type { BackupPlan } from '#core/backups';
import type { Backups } from '#contracts/backups';
import { ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

/** The backups of the house. */
export const backupsApi = api.injectEndpoints({
  endpoints: (build) => ({
    backups: build.query<Backups, void>({
      query: () => ({ url: ROUTES.getBackups.path }),
      providesTags: ['Backups'],
    }),
    makeBackup: build.mutation<Backups, void>({
      query: () => ({ url: ROUTES.makeBackup.path, method: 'POST', body: {} }),
      invalidatesTags: ['Backups'],
    }),
    setBackupPlan: build.mutation<Backups, BackupPlan>({
      query: (body) => ({ url: ROUTES.setBackupPlan.path, method: 'PATCH', body }),
      invalidatesTags: ['Backups', 'History'],
    }),
  }),
});
export const { useBackupsQuery, useMakeBackupMutation, useSetBackupPlanMutation } = backupsApi;

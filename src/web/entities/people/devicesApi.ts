import type {
  addDevice,
  Device,
  Devices,
  endSessions,
  pairDevice,
  renewDeviceCode,
} from '#contracts/devices';
import type { BodyOf, ResponseOf } from '#contracts/endpoint';
import { pathOf, ROUTES } from '#contracts/routes';
import { api } from '../../platform/api';

type Coded = ResponseOf<typeof addDevice>;
/** Devices of the house, and who is signed in where. */
export const devicesApi = api.injectEndpoints({
  endpoints: (build) => ({
    devices: build.query<Devices, void>({
      query: () => ({ url: ROUTES.getDevices.path }),
      providesTags: ['Devices'],
    }),
    addDevice: build.mutation<Coded, BodyOf<typeof addDevice>>({
      query: (body) => ({ url: ROUTES.addDevice.path, method: 'POST', body }),
      invalidatesTags: ['Devices', 'History'],
    }),
    renewDeviceCode: build.mutation<Coded, { id: string } & BodyOf<typeof renewDeviceCode>>({
      query: ({ id, ...body }) => ({
        url: pathOf(ROUTES.renewDeviceCode, { id }),
        method: 'POST',
        body,
      }),
      invalidatesTags: ['Devices', 'History'],
    }),
    renameDevice: build.mutation<Device, { id: string; name: string }>({
      query: ({ id, name }) => ({
        url: pathOf(ROUTES.changeDevice, { id }),
        method: 'PATCH',
        body: { name },
      }),
      invalidatesTags: ['Devices', 'History'],
    }),
    revokeDevice: build.mutation<Device, string>({
      query: (id) => ({ url: pathOf(ROUTES.revokeDevice, { id }), method: 'POST', body: {} }),
      invalidatesTags: ['Devices', 'History'],
    }),
    pairDevice: build.mutation<ResponseOf<typeof pairDevice>, BodyOf<typeof pairDevice>>({
      query: (body) => ({ url: ROUTES.pairDevice.path, method: 'POST', body }),
      invalidatesTags: ['House'],
    }),
    endSession: build.mutation<Devices, string>({
      query: (id) => ({ url: pathOf(ROUTES.endSession, { id }), method: 'DELETE' }),
      invalidatesTags: ['Devices', 'History'],
    }),
    endSessions: build.mutation<Devices, BodyOf<typeof endSessions>>({
      query: (body) => ({ url: ROUTES.endSessions.path, method: 'POST', body }),
      invalidatesTags: ['Devices', 'History'],
    }),
  }),
});
export const {
  useDevicesQuery,
  useAddDeviceMutation,
  useRenewDeviceCodeMutation,
  useRenameDeviceMutation,
  useRevokeDeviceMutation,
  usePairDeviceMutation,
  useEndSessionMutation,
  useEndSessionsMutation,
} = devicesApi;

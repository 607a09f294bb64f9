import { configureStore } from '@reduxjs/toolkit';
import { api, readAgain } from './api';

/** An endpoint whose answers come when they are let go. */
const answers: ((value: string) => void)[] = [];
const slowApi = api.injectEndpoints({
  endpoints: (build) => ({
    slow: build.query<string, void>({
      queryFn: async () => ({ data: await new Promise<string>((go) => answers.push(go)) }),
    }),
  }),
});
const makeStore = () =>
  configureStore({
    reducer: { [api.reducerPath]: api.reducer },
    middleware: (usual) => usual().concat(api.middleware),
  });
const turn = () => new Promise((done) => setTimeout(done, 0));

beforeEach(() => answers.splice(0));

test('what was being read when a write was answered is given up and read again', async () => {
  const store = makeStore();
  const shown = () => slowApi.endpoints.slow.select()(store.getState()).data;
  void store.dispatch(slowApi.endpoints.slow.initiate());
  await turn();
  readAgain(store.dispatch(slowApi.util.getRunningQueryThunk('slow', undefined)));
  await turn();
  expect(answers).toHaveLength(2);
  answers[0]?.('before the write');
  await turn();
  expect(shown()).toBeUndefined();
  answers[1]?.('after it, with what others did');
  await turn();
  expect(shown()).toBe('after it, with what others did');
});

test('nothing is asked for when nothing was being read', async () => {
  const store = makeStore();
  readAgain(store.dispatch(slowApi.util.getRunningQueryThunk('slow', undefined)));
  await turn();
  expect(answers).toHaveLength(0);
});

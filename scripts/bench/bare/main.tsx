// The least page of the same React, router and store as the application's: what the Bar is measured against, so that
// a figure says something on a machine of any speed.
import { configureStore, createSlice } from '@reduxjs/toolkit';
import { createRoot } from 'react-dom/client';
import { Provider, useDispatch, useSelector } from 'react-redux';
import { createBrowserRouter, RouterProvider } from 'react-router';

const touches = createSlice({
  name: 'touches',
  initialState: 0,
  reducers: { touched: (n) => n + 1 },
});
const store = configureStore({ reducer: { touches: touches.reducer } });

function Page() {
  const n = useSelector((state: { touches: number }) => state.touches);
  const dispatch = useDispatch();
  return (
    <main>
      <h1>Bare page</h1>
      <button type="button" onClick={() => dispatch(touches.actions.touched())}>
        Touched {n} times
      </button>
    </main>
  );
}

const router = createBrowserRouter([{ path: '*', element: <Page /> }]);
const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>,
  );

import { lazy } from 'react';

// Those who are signed in need neither.
export const FirstHousePage = lazy(() =>
  import('./FirstHouse').then((m) => ({ default: m.FirstHousePage })),
);
export const SignInPage = lazy(() => import('./SignIn').then((m) => ({ default: m.SignInPage })));

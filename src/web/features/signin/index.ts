export { SignInPage } from './SignIn';
export { FirstHousePage } from './FirstHouse';

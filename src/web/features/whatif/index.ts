export { WhatIfPage } from './Page';

export { AirPage } from './AirPage.tsx'

/** Files of a ride that are read in the page: one file to fetch for both. */
export { GaugePage } from '../gauge/GaugePage';
export { TrackPage } from './TrackPage';

/** Pages of the desk that are seldom opened: one file to fetch for all of them. */
export { ChangesPage } from './changes/ChangesPage';
export { DevicesPage } from '../ride/devices/DevicesPage';
export { ImportPage } from './imports/ImportPage';
export { RecordsPage } from './RecordsPage';

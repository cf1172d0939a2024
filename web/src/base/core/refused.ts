import { capital } from '../words/plain';
import { CoreRefusal } from './core';

/** What the core refuses, as a person reads it: what is wrong, without the name of a field. */
export const refusedWords = (error: Error) =>
  capital(error instanceof CoreRefusal ? error.error.detail : error.message);

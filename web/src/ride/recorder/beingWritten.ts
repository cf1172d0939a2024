import type { KeptRep } from '../../outbox/db';

/** The version of an ask that is drawn while the device is still writing it. */
export const beingWritten = -1;

export const isBeingWritten = ({ version }: Pick<KeptRep, 'version'>) => version === beingWritten;

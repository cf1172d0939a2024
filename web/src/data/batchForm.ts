/** The form of a batch; the server answers 426 when it reads another. */
export const batchForm = '2';

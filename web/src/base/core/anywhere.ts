import { answer, client } from '../api/client';
import { calculate, CoreBroke, type CalculatorName, type Input, type Output } from './core';

/** What a calculator says: the core in the page, or without one the server. */
export async function calculateAnywhere<N extends CalculatorName>(
  name: N,
  input: Input<N>,
): Promise<Output<N>> {
  try {
    return await calculate(name, input);
  } catch (error) {
    if (!(error instanceof CoreBroke)) throw error;
    const said = await answer(
      client.POST('/api/calc/{name}', { params: { path: { name } }, body: input as never }),
    );
    return said;
  }
}

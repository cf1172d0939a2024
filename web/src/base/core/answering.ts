import { Broke, Instance, type Outcome } from './instance';

export interface Call {
  id: number;
  name: string;
  input: unknown;
}

export type Reply = { id: number; outcome: Outcome } | { id: number; broke: string };

/** Answers calls; what broke an instance breaks that call only, the next gets a fresh one. */
export class Answering {
  private instance: Instance | undefined;

  constructor(private readonly module: Promise<WebAssembly.Module>) {}

  async answer({ id, name, input }: Call): Promise<Reply> {
    try {
      const module = await this.module;
      this.instance ??= new Instance(module);
      return { id, outcome: this.instance.calculate(name, input) };
    } catch (error) {
      if (error instanceof Broke) this.instance = undefined;
      return { id, broke: error instanceof Error ? error.message : String(error) };
    }
  }
}

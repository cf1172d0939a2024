/** One running core: bytes in, bytes out of its memory. */

interface Exports {
  memory: WebAssembly.Memory;
  allocate: (length: number) => number;
  release: (address: number, length: number) => void;
  calculate: (name: number, nameLength: number, input: number, inputLength: number) => bigint;
  tell_panics: () => void;
}

/** A field that does not fit, as the API says it. */
export interface FieldError {
  field: string;
  detail: string;
}

export type Outcome = { output: unknown } | { error: FieldError };

/** The core broke inside; the instance is of no use any more. */
export class Broke extends Error {}

const encoder = new TextEncoder();
const decoder = new TextDecoder();

export class Instance {
  private readonly core: Exports;
  private why = '';

  constructor(module: WebAssembly.Module) {
    const page = {
      panicked: (address: number, length: number) => {
        this.why = this.text(address, length);
      },
    };
    this.core = new WebAssembly.Instance(module, { page }).exports as unknown as Exports;
    this.core.tell_panics();
  }

  /** Runs a calculator on one JSON object. */
  calculate(name: string, input: unknown): Outcome {
    const [called, given] = [this.write(name), this.write(JSON.stringify(input))];
    let answer: bigint;
    try {
      answer = this.core.calculate(called.address, called.length, given.address, given.length);
    } catch (error) {
      throw new Broke(this.why || String(error));
    }
    this.release(called);
    this.release(given);
    const said = { address: Number(answer >> 32n), length: Number(answer & 0xffffffffn) };
    const text = this.text(said.address, said.length);
    this.release(said);
    return JSON.parse(text) as Outcome;
  }

  private write(text: string): Room {
    const bytes = encoder.encode(text);
    const address = this.core.allocate(bytes.length);
    new Uint8Array(this.core.memory.buffer, address, bytes.length).set(bytes);
    return { address, length: bytes.length };
  }

  private text(address: number, length: number): string {
    return decoder.decode(new Uint8Array(this.core.memory.buffer, address >>> 0, length));
  }

  private release({ address, length }: Room) {
    this.core.release(address, length);
  }
}

interface Room {
  address: number;
  length: number;
}

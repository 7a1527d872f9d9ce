// The core itself on the phone, compiled by Go (cmd/phone): what a typed
// reading means is worked out here too without a connection. No rule of it is
// written in TypeScript.
import './wasm_exec.js';
import wasm from './core.wasm?url';
import type { Schemas } from '../../api/client';
import { keeper } from '../../ui/keeper';

/** What a typed reading turned out to be; the server's answer has the same. */
export type Reply = Pick<
  Schemas['EntryView'],
  'state' | 'echo' | 'confirm' | 'about' | 'assumed' | 'messages' | 'offers'
>;

export interface Typed {
  typed: string;
  language: string;
  measures: string;
  asked: {
    unit: string;
    low?: string;
    high?: string;
    repeatability?: string;
    step?: string;
    analogue?: boolean;
    tool?: Record<string, string>;
    apart?: string;
    others?: { name: string; typed: string }[];
  };
}

declare const Go: new () => {
  importObject: WebAssembly.Imports;
  run(instance: WebAssembly.Instance): Promise<void>;
};
declare const kitchenUnderstand: (document: string) => string;
declare const kitchenOrder: (document: string) => string;

export type Pair = Schemas['Pair'];

/** The order that answers to pairs make, and what goes round in a circle. */
export interface Ordered {
  order: string[][] | null;
  circle: string[] | null;
}

export type Understand = ((typed: Typed) => Reply) & { order: (pairs: Pair[]) => Ordered };

export async function start(): Promise<Understand> {
  await keeper();
  const go = new Go();
  const file = await fetch(wasm);
  if (!file.ok) throw new Error('the core is not there');
  const { instance } = await WebAssembly.instantiate(await file.arrayBuffer(), go.importObject);
  void go.run(instance); // it stays
  const understand = (typed: Typed) =>
    JSON.parse(kitchenUnderstand(JSON.stringify(typed))) as Reply;
  return Object.assign(understand, {
    order: (pairs: Pair[]) => JSON.parse(kitchenOrder(JSON.stringify(pairs))) as Ordered,
  });
}

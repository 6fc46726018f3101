/** Lets what is done under one name wait for what came before it under the same name. */
export class Turns {
  readonly #last = new Map<string, Promise<unknown>>();

  async after<T>(name: string, work: () => Promise<T>): Promise<T> {
    const before = this.#last.get(name);
    const mine = before ? before.then(work, work) : work();
    this.#last.set(name, mine);
    try {
      return await mine;
    } finally {
      if (this.#last.get(name) === mine) this.#last.delete(name);
    }
  }
}

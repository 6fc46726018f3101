/** Those who are told when what is kept outside React has changed; `subscribe` is as `useSyncExternalStore` wants it. */
export class Listeners {
  readonly #all = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#all.add(listener);
    return () => this.#all.delete(listener);
  };

  tell(): void {
    for (const listener of this.#all) listener();
  }
}

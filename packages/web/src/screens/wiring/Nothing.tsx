/** Said where there is no circuit yet. */
export function Nothing() {
  return (
    <p className="max-w-xl text-ink-soft">
      No circuit is drawn yet. Lay one out on the page “Circuit”: it begins with what is usual and is changed from
      there.
    </p>
  );
}

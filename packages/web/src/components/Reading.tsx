/** One computed figure with its name over it and a remark under it, inside a list of such. */
export function Reading({ name, value, note }: { name: string; value: string; note?: string }) {
  return (
    <div>
      <dt className="label">{name}</dt>
      <dd className="figure text-xl">{value}</dd>
      {note && <dd className="label">{note}</dd>}
    </div>
  );
}

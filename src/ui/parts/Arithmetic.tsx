/** How a number came about, line by line. */
export const Arithmetic = ({
  lines,
}: {
  lines: readonly { readonly label: string; readonly value: string }[];
}) => (
  <dl className="arithmetic">
    {lines.map(({ label, value }) => (
      <div key={label}>
        <dt>{label}</dt>
        <dd>{value}</dd>
      </div>
    ))}
  </dl>
);

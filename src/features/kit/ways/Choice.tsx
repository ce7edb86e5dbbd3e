import Form from 'react-bootstrap/Form';
/** One of a few by name, half a form wide. */
export const Choice = <T extends string>({
  id,
  label,
  value,
  options,
  onPick,
}: {
  id: string;
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
}) => (
  <div className="anchor-half">
    <label htmlFor={id}>{label}</label>
    <Form.Select id={id} value={value} onChange={(event) => onPick(event.target.value as T)}>
      {options.map(([option, name]) => (
        <option key={option} value={option}>
          {name}
        </option>
      ))}
    </Form.Select>
  </div>
);

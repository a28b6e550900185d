import { Segments } from '~/ui/controls/Field';
import type { FoundAs } from './marking';

/** Whether it was so when the board came, or came of work here. */
export const FoundAsField = ({
  value,
  onChange,
}: {
  readonly value: FoundAs;
  readonly onChange: (foundAs: FoundAs) => void;
}) => (
  <Segments
    label="Found"
    value={value}
    onChange={onChange}
    options={[
      { value: 'as-received', label: 'as received' },
      { value: 'done-here', label: 'done here' },
    ]}
  />
);

/** A whole number from none to some, by finger, mouse or arrow keys. @param spoken what the number means, for who cannot see it */
export const Range = ({
  most,
  value,
  onValue,
  label,
  spoken,
  colour,
  width,
  testID,
}: {
  most: number;
  value: number;
  onValue: (value: number) => void;
  label: string;
  spoken?: string;
  colour: string;
  width: number;
  testID: string;
}) => (
  <input
    type="range"
    min={0}
    max={most}
    value={value}
    onChange={(event) => onValue(Number(event.target.value))}
    aria-label={label}
    aria-valuetext={spoken}
    data-testid={testID}
    style={{ width, height: 52, margin: 0, accentColor: colour, cursor: 'ew-resize' }}
  />
);

/** What a panel lets hear. */
export type Heard =
  | 'beep'
  | 'alarm'
  | 'runs'
  | 'works'
  | 'races'
  | 'rough'
  | 'cranks'
  | 'slow'
  | 'grind'
  | 'grinds'
  | 'growls'
  | 'clicks'
  | 'stalled'
  | 'thruster';

/** How each sounds: a tone, how rough it is, and how it comes and goes (Hz). Made here, since recordings would weigh more than the panel. */
const VOICES: Readonly<Partial<Record<Heard, { hz: number; wave: OscillatorType; gain: number; pulse?: number }>>> = {
  beep: { hz: 1900, wave: 'square', gain: 0.02, pulse: 2.5 },
  alarm: { hz: 2300, wave: 'square', gain: 0.04 },
  runs: { hz: 46, wave: 'sawtooth', gain: 0.06, pulse: 11 },
  works: { hz: 58, wave: 'sawtooth', gain: 0.06, pulse: 16 },
  races: { hz: 95, wave: 'sawtooth', gain: 0.07, pulse: 24 },
  rough: { hz: 40, wave: 'sawtooth', gain: 0.07, pulse: 5 },
  cranks: { hz: 70, wave: 'square', gain: 0.05, pulse: 4 },
  slow: { hz: 50, wave: 'square', gain: 0.05, pulse: 1.8 },
  grind: { hz: 640, wave: 'sawtooth', gain: 0.05, pulse: 30 },
  grinds: { hz: 180, wave: 'sawtooth', gain: 0.05, pulse: 18 },
  growls: { hz: 120, wave: 'sawtooth', gain: 0.06, pulse: 40 },
  clicks: { hz: 900, wave: 'square', gain: 0.03, pulse: 3 },
};

let context: AudioContext | undefined;
let playing: { stop: () => void } | undefined;

const voice = (audio: AudioContext, { hz, wave, gain, pulse }: NonNullable<(typeof VOICES)[Heard]>): (() => void) => {
  const tone = new OscillatorNode(audio, { type: wave, frequency: hz });
  const loud = new GainNode(audio, { gain: pulse === undefined ? gain : gain / 2 });
  tone.connect(loud).connect(audio.destination);
  const nodes: OscillatorNode[] = [tone];
  if (pulse !== undefined) {
    const beat = new OscillatorNode(audio, { type: 'square', frequency: pulse });
    const depth = new GainNode(audio, { gain: gain / 2 });
    beat.connect(depth).connect(loud.gain);
    nodes.push(beat);
  }
  for (const node of nodes) node.start();
  return () => {
    for (const node of nodes) node.stop();
    loud.disconnect();
  };
};

export const quiet = (): void => {
  playing?.stop();
  playing = undefined;
};

/** Lets these be heard until told otherwise. A browser that wants a press first stays silent until then. */
export const sound = (heard: readonly Heard[]): void => {
  quiet();
  const voices = heard.flatMap((one) => VOICES[one] ?? []);
  if (voices.length === 0 || typeof AudioContext === 'undefined') return;
  context ??= new AudioContext();
  const audio = context;
  if (audio.state === 'suspended') void audio.resume();
  const stops = voices.map((one) => voice(audio, one));
  playing = { stop: () => stops.forEach((stop) => stop()) };
};

/** One thing wrong with what is imported: file, line or path in it, and why. */
export type Fault = { file: string; where: string; reason: string };

export const sayFault = ({ file, where, reason }: Fault): string => `${file}, ${where}: ${reason}`;

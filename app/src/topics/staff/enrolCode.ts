/** The code in what a camera read: the fragment of the address that the manager's screen shows, or the code alone. */
export const codeIn = (text: string): string | undefined => {
  const code = (text.includes('#') ? text.slice(text.indexOf('#') + 1) : text).replace(/\s/g, '').toUpperCase();
  return /^[A-Z2-9]{12}$/.test(code) ? code : undefined;
};

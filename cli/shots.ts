export const shots = async (): Promise<void> => {
  await Promise.resolve();
};

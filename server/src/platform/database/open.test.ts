import { testQuay } from '../../testing/quay';

it('a statement that fails is told without what it was about', async () => {
  const quay = await testQuay();
  const person = { id: 'p-1', salt: 'x', name: 'Ines Okonjo-Lind', contact: 'ines@example.test' };
  await quay.store.db('person').insert(person);
  const failed = await quay.store
    .db('person')
    .insert(person)
    .then(
      () => '',
      (error: Error) => `${error.message}\n${error.stack}`,
    );
  expect(failed).toContain('UNIQUE');
  for (const told of ['Ines', 'example.test']) expect(failed).not.toContain(told);
  await quay.stop();
});

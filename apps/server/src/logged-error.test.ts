import { loggedError } from './logged-error';

test('a broken connection is logged without its client', () => {
  const broken = Object.assign(new Error('terminating connection'), { code: '57P01', client: { secretKey: 7, password: 'secret' } });
  expect(loggedError(broken)).toEqual({ type: 'Error', message: 'terminating connection', code: '57P01', stack: expect.any(String) });
});

test('what is no error is logged as it reads', () => {
  expect(loggedError('gone')).toEqual({ message: 'gone' });
});

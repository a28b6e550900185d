import { describe, expect, it } from 'vitest';
import { isLoopback, optionsOf } from './options';

describe('how the server is started', () => {
  it('says in one line what is wrong with an option (findings B6)', () => {
    for (const args of [
      ['--prot', '80'],
      ['stray'],
      ['--port', 'many'],
      ['--port', '70000'],
      ['--backups', '-1'],
      ['--db'],
    ]) {
      let told = '';
      try {
        optionsOf(args, '/');
      } catch (error) {
        told = (error as Error).message;
      }
      expect(told).not.toBe('');
      expect(told).not.toContain('\n');
    }
  });

  it('answers to this machine, the address it is bound to and the names it is given', () => {
    const { names } = optionsOf(['--host', 'fe80::1', '--name', 'Bench.local', '--name', 'bench'], '/')!;
    expect([...names]).toEqual(['127.0.0.1', 'localhost', '[::1]', '[fe80::1]', 'bench.local', 'bench']);
  });

  it('takes a database where the command was given, and seven backups unless told', () => {
    expect(optionsOf(['--db', 'shop.db'], '/home/bench')).toMatchObject({
      file: '/home/bench/shop.db',
      backups: 7,
    });
    expect(optionsOf(['--help'], '/')).toBeNull();
  });

  it('knows which addresses nobody else can reach', () => {
    for (const host of ['127.0.0.1', '127.0.0.2', '127.1', 'localhost', '::1'])
      expect(isLoopback(host)).toBe(true);
    for (const host of ['0.0.0.0', '::', '192.168.1.5', '128.0.0.1', 'bench'])
      expect(isLoopback(host)).toBe(false);
  });
});

/** The value after a flag, or undefined. */
export function flag(name: string, args: readonly string[] = process.argv.slice(2)): string | undefined {
  const at = args.indexOf(`--${name}`);
  const value = at >= 0 ? args[at + 1] : undefined;
  return value ?? args.find((one) => one.startsWith(`--${name}=`))?.slice(name.length + 3);
}

/** What is not a flag nor a flag's value. */
export function positional(
  withValue: readonly string[],
  args: readonly string[] = process.argv.slice(2),
): string[] {
  return args.filter(
    (one, i) => !one.startsWith('--') && !withValue.some((name) => args[i - 1] === `--${name}`),
  );
}

/** Ends with a message people can act on. */
export function stop(message: string, code: number): never {
  process.stderr.write(`${message}\n`);
  process.exit(code);
}

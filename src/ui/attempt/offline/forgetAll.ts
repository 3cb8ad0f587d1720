import { forgetFiles } from './files';
import { forgetEveryPlace } from './places';

/**
 * Takes from this computer what is kept of everybody's attempts for the time without network: for signing in and out, so that whoever
 * sits down next sees nothing of who sat here before. What has not reached the server yet stays in the journal, for its own attempt.
 */
export async function forgetAllAttempts(): Promise<void> {
  await Promise.allSettled([forgetEveryPlace(), forgetFiles()]);
}

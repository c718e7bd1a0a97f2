import { csrfToken } from './csrf';
import { OutOfReach, ProblemError, type Problem } from './problem';

interface Sending {
  /** How much of the file has gone, 0 to 1. */
  onPart: (share: number) => void;
  /** Gives it up on the way. */
  signal: AbortSignal;
}

/**
 * Sends a file as a request's body: it is never read into the page as a whole. By XMLHttpRequest, since fetch does not tell how far it
 * has come.
 */
export function sendFile<T>(path: string, file: File, type: string, { onPart, signal }: Sending): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', path);
    request.responseType = 'json';
    request.setRequestHeader('Content-Type', type);
    request.setRequestHeader('X-XSRF-TOKEN', csrfToken() ?? '');
    request.upload.onprogress = (e) => {
      if (e.lengthComputable) onPart(e.loaded / e.total);
    };
    request.onload = () =>
      request.status < 300
        ? resolve(request.response as T)
        : reject(new ProblemError(request.status, (request.response ?? {}) as Problem));
    request.onerror = () => reject(new OutOfReach());
    request.onabort = () => reject(new DOMException('It was given up.', 'AbortError'));
    signal.addEventListener('abort', () => request.abort(), { once: true });
    request.send(file);
  });
}

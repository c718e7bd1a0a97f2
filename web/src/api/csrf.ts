/** The token of the cookie that goes back with every change. */
export const csrfToken = (): string | undefined =>
  document.cookie
    .split('; ')
    .find((c) => c.startsWith('XSRF-TOKEN='))
    ?.slice('XSRF-TOKEN='.length);

import { t } from '../text/text';

/** Whether passkeys that belong to a name of the machine can be used on this page. */
export function passkeysWorkAt(host: string | undefined): boolean {
  const here = window.location.hostname;
  return (
    host !== undefined &&
    window.isSecureContext &&
    'PublicKeyCredential' in window &&
    (here === host || here.endsWith(`.${host}`))
  );
}

/** Fetched when it is wanted: few sign in, and most of them once in a month. */
const library = () => import('@simplewebauthn/browser');

/** What the browser answers, or an error in plain words where the person or the device did not want to. */
async function asked<T>(question: Promise<T>): Promise<string> {
  try {
    return JSON.stringify(await question);
  } catch {
    throw new Error(t('sign-in.passkey-none'));
  }
}

/** Has the browser make a passkey. */
export async function makePasskey(options: string): Promise<string> {
  const { startRegistration } = await library();
  return asked(
    startRegistration({
      optionsJSON: JSON.parse(options) as Parameters<typeof startRegistration>[0]['optionsJSON'],
    }),
  );
}

/** Has the browser ask for a passkey. */
export async function askForPasskey(options: string): Promise<string> {
  const { startAuthentication } = await library();
  return asked(
    startAuthentication({
      optionsJSON: JSON.parse(options) as Parameters<typeof startAuthentication>[0]['optionsJSON'],
    }),
  );
}

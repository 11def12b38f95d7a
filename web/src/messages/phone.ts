/** Texts of letting a phone in. */
export const phone = {
  title: 'Use your phone',
  intro:
    'Look at plants, work at the bench and answer how a repot went on your phone, also where there is no network. You scan a code; no passphrase is typed.',
  facts: [
    'Nothing is opened until you begin, and only a phone that you paired gets in.',
    'It speaks HTTPS: this machine makes a certificate of its own, which can vouch for addresses of home networks and for no site of the internet.',
    'Nothing leaves your network.',
  ],
  begin: 'Show the code',
  steps: [
    'Join the phone to the same network, and point its camera at the code.',
    'The page that opens says how to trust this machine, in three steps for your phone.',
    'Tap “Go on to Fernbank”. That is all: this screen says so when the phone is in.',
  ],
  qr: 'Code to scan with the phone',
  typed: 'Without a camera: open',
  typedCode: 'and then give the code',
  until: (time: string) => `The code lets one phone in, once, until ${time}.`,
  host: 'What phones call this machine',
  hostHint:
    'If the phone finds nothing there, try another one. A name stays when addresses change.',
  again: 'Another code',
  paired: (label: string) => `It is in: ${label}`,
  pairedNext:
    'On the phone, “Add to home screen” in the browser’s menu opens it like an app, with or without a network.',
  another: 'Pair another one',
  devices: 'Who may come in',
  none: 'Nobody yet.',
  away: 'Sign out one that you lost: it gets no further from that moment on.',
  fingerprint: 'The phone shows the same fingerprint before it is to trust this machine:',
  trouble: (port: number) =>
    `If a phone finds nothing: is it in the same network, and does this machine’s firewall let port ${port} in?`,
  close: 'Let no phone in any more',
  noNetwork: 'This machine is in no network just now.',
  fault: (why: string) => `Phones could not come in when Fernbank started: ${why}`,
};

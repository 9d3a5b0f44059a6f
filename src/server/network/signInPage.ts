/* The one page that whoever is not signed in gets: made of itself alone, with nothing of the workshop in it. */
const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

export interface SignIn {
  /** Where to go on, a path of this workshop. */
  to: string;
  /** What was wrong with the last try; empty at the first. */
  says: string;
  /** What the device was called in the last try. */
  name: string;
  /** Whether what is typed goes over the network as it is. */
  plain: boolean;
}

const STYLE = `
  body{margin:0;min-height:100dvh;display:grid;place-content:center;background:#e9ebe4;color:#1d2420;font:18px/1.45 system-ui,sans-serif}
  form{width:min(92vw,24rem);display:grid;gap:1rem}
  h1{margin:0;font-size:2.1rem;line-height:1.1}
  label{display:grid;gap:.3rem}
  input{font:inherit;min-height:52px;padding:0 .8rem;border:0;border-bottom:3px solid #1d2420;background:#fff;color:#1d2420}
  button{font:inherit;font-weight:600;min-height:60px;border:0;background:#1d2420;color:#fff}
  p{margin:0}.wrong{font-weight:600;color:#8f1d14}
  @media(prefers-color-scheme:dark){body{background:#1b2021;color:#eceee8}input{background:#2a3032;color:#eceee8;border-color:#eceee8}button{background:#eceee8;color:#1b2021}.wrong{color:#ffb4a6}}
`;

export const signInPage = ({ to, says, name, plain }: SignIn): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>Keen Batten: sign in</title><style>${STYLE}</style></head><body>
<form method="post" action="/sign-in">
<h1>Keen Batten</h1>
${says ? `<p class="wrong" role="alert">${escaped(says)}</p>` : ''}
<input type="hidden" name="to" value="${escaped(to)}">
<label>Passphrase of the workshop<input name="passphrase" type="password" required autofocus autocomplete="current-password" maxlength="200"></label>
<label>What is this device called?<input name="name" required maxlength="60" placeholder="Tablet at the glue table" value="${escaped(name)}"></label>
<button>Sign in</button>
${plain ? '<p>Plain http: whoever listens on this network can read what is typed here.</p>' : ''}
</form></body></html>`;

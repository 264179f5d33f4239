/* The door: the one page that is answered to a device which has not been let in. No script, no style from elsewhere. */

const escape = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

export const PAIRING_MESSAGES = {
  wrong: 'That is not the code that is shown. Look again.',
  locked: 'Too many wrong codes from this device. Wait ten minutes, then ask for a new one.',
  'no-code': 'There is no code to give: ask for one on the computer, under “Other devices”.',
} as const;

/** `code` as it came with the address, `says` what was wrong with the last one. */
export const renderPairingPage = (code: string, name: string, says: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Temnex, the door</title>
<style>
body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: #e6e6e6; color: #161616; font: 400 1.1rem/1.4 'Source Sans 3', system-ui, sans-serif; }
form { width: min(24rem, calc(100vw - 2rem)); padding: 1.5rem; background: #f7f7f7; border: 2px solid #161616; box-sizing: border-box; }
h1 { margin: 0 0 .5rem; font-size: 1.6rem; }
label { display: block; margin-top: 1rem; color: #494949; font-size: .95rem; }
input { display: block; box-sizing: border-box; width: 100%; min-height: 3rem; padding: .2rem .6rem; border: 0; border-bottom: 2px solid #161616; border-radius: 0; background: #fff; font: inherit; color: inherit; }
input[name=code] { font-size: 2rem; letter-spacing: .25em; font-variant-numeric: tabular-nums; }
button { width: 100%; min-height: 3.5rem; margin-top: 1.4rem; border: 0; background: #161616; color: #fff; font: inherit; font-weight: 600; }
p[role=alert] { margin: .8rem 0 0; padding-left: .7rem; border-left: 5px double #b32a0b; }
:focus-visible { outline: 3px solid #161616; outline-offset: 2px; }
</style>
</head>
<body>
<form method="post" action="/door">
<h1>Temnex</h1>
<p style="margin:0">Type the six figures that the computer shows under “Other devices”.</p>
${says ? `<p role="alert">${escape(says)}</p>` : ''}
<label>code<input name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="8" required value="${escape(code)}"${code ? '' : ' autofocus'}></label>
<label>what this device is called<input name="name" maxlength="40" value="${escape(name)}" placeholder="the tablet by the trimmer"></label>
<button>Come in</button>
</form>
</body>
</html>
`;

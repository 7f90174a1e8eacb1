import { openBrowser, press, signIn, at } from './e2e/harness';
process.env.LATTICE_TEST_ADDRESS ??= 'http://127.0.0.1:4600';
const [w, h] = (process.env.SIZE ?? '1280x800').split('x').map(Number);
const { page, complaints, close } = await openBrowser(w, h);
await signIn(page, process.env.WHO ?? 'ottilie@fernhollow.example');
await press(page, 'Maren Tolland'); await at(page, /\/clients\/[0-9a-f-]+$/);
await press(page, 'Open the visit'); await at(page, /\/pattern$/);
await page.waitForSelector('[data-live=true]');
await new Promise((r) => setTimeout(r, 2500));
const shoot = async (n: string) => { await new Promise((r) => setTimeout(r, 700)); await page.screenshot({ path: `/tmp/look/${n}.png` }); console.log(n); };
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));
const body = process.env.DO ?? "await shoot('pattern')";
const Async = Object.getPrototypeOf(async () => undefined).constructor;
try { await new Async('page', 'press', 'shoot', 'wait', 'at', body)(page, press, shoot, wait, at); } catch (e) { console.log('ERR', e); await shoot('error'); }
console.log(complaints);
await close();

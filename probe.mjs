import { chromium } from 'playwright-core';
for (const base of ['http://127.0.0.1:8600','http://127.0.0.1:8500']) {
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']});
const c=await b.newContext({viewport:{width:390,height:844},serviceWorkers:'block'});
const p=await c.newPage();
await p.goto(base+'/');await p.getByRole('button',{name:'Set up my tank'}).waitFor();
await p.waitForTimeout(1500);
await c.setOffline(true);
await p.getByRole('link',{name:'More'}).click(); await p.waitForTimeout(3000); console.log(p.url(), (await p.locator('body').innerText()).slice(0,200).replace(/\n/g,'|'));
await p.getByRole('link',{name:'Water'}).click({timeout:3000}).catch(e=>console.log('no link')); await p.waitForTimeout(2000); console.log(p.url(), (await p.locator('body').innerText()).slice(0,100).replace(/\n/g,'|'));
await c.setOffline(false);
await p.getByRole('link',{name:'More'}).click({timeout:3000}).catch(e=>console.log('no link')); await p.waitForTimeout(3000); console.log('back', p.url(), (await p.locator('body').innerText()).slice(0,200).replace(/\n/g,'|'));
// cut off chunks on first visit
const q=await (await b.newContext({viewport:{width:390,height:844},serviceWorkers:'block'})).newPage();
let block=true;
await q.route('**/{index,_layout,WelcomeScreen,bench}*.js',r=>block? r.abort(): r.continue());
await q.goto(base+'/bench'); await q.waitForTimeout(4000);
console.log('first', (await q.locator('body').innerText()).slice(0,300).replace(/\n/g,'|'));
block=false; await q.waitForTimeout(5000);
console.log('first, back', (await q.locator('body').innerText()).slice(0,200).replace(/\n/g,'|'));
await b.close();}

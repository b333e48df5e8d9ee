import { chromium } from 'playwright-core';
const base='http://127.0.0.1:8500';
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']});
const c=await b.newContext({viewport:{width:390,height:844},serviceWorkers:'block'});
const p=await c.newPage(); const cdp=await c.newCDPSession(p);
await p.goto(base+'/demo');await p.waitForURL(base+'/');await p.waitForTimeout(3000);
const go=(l)=>p.getByRole('navigation',{name:'Places'}).getByRole('link',{name:l,exact:true}).click();
const P=['Water','Cycle','Stock','More','Today'];
async function snap(){ await cdp.send('HeapProfiler.collectGarbage'); let s=''; const f=(e)=>{s+=e.chunk}; cdp.on('HeapProfiler.addHeapSnapshotChunk',f); await cdp.send('HeapProfiler.takeHeapSnapshot',{reportProgress:false}); cdp.off('HeapProfiler.addHeapSnapshotChunk',f); const j=JSON.parse(s); const F=j.snapshot.meta.node_fields, T=j.snapshot.meta.node_types[0]; const w=F.length; const m=new Map(); for(let i=0;i<j.nodes.length;i+=w){const t=T[j.nodes[i]]; let n=j.strings[j.nodes[i+1]]; if(t==='string'||t==='concatenated string'||t==='number') n=''; const k=t+':'+n.slice(0,60); const e=m.get(k)??[0,0]; e[0]++; e[1]+=j.nodes[i+3]; m.set(k,e);} return m;}
for(let i=0;i<50;i++) await go(P[i%5]);
const A=await snap();
for(let i=0;i<100;i++) await go(P[i%5]);
const B=await snap();
const d=[...B].map(([k,[n,s]])=>[k,n-(A.get(k)?.[0]??0),s-(A.get(k)?.[1]??0)]).sort((a,b)=>b[2]-a[2]).slice(0,40);
console.log(d.map(x=>x.join('  ')).join('\n'));
await b.close();

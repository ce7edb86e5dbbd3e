import { chromium } from '@playwright/test';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-background-networking']});
const url='http://127.0.0.1:3391/'+(process.argv[2]??'plan');
const c = await b.newContext({viewport:{width:1280,height:800}}); const p=await c.newPage();
await p.addInitScript(()=>{const look=()=>{if(document.querySelector('.set-card .cell-value')){globalThis.cardSeen=performance.now();performance.mark('cardSeen')}else requestAnimationFrame(look)};requestAnimationFrame(look);});
await p.goto(url); await p.waitForTimeout(2500);await p.goto(url); await p.waitForTimeout(2500);
const cdp=await b.newBrowserCDPSession(); const ev=[]; cdp.on('Tracing.dataCollected',e=>ev.push(...e.value));
await cdp.send('Tracing.start',{transferMode:'ReportEvents',categories:'devtools.timeline,v8.execute,disabled-by-default-devtools.timeline,blink.user_timing,loading,disabled-by-default-v8.compile'});
await p.goto(url); await p.waitForFunction(()=>globalThis.cardSeen); const done=new Promise(r=>cdp.once('Tracing.tracingComplete',r)); await cdp.send('Tracing.end'); await done;
const mark=ev.find(e=>e.name==='cardSeen'); const pid=mark.pid,tid=mark.tid; const seen=await p.evaluate(()=>globalThis.cardSeen);const nav=mark.ts-seen*1000;
console.log('card at',((mark.ts-nav)/1000).toFixed(0));
// self time by name on main thread
const x=ev.filter(e=>e.pid===pid&&e.tid===tid&&e.ph==='X'&&e.ts>=nav&&e.ts<mark.ts).sort((a,b)=>a.ts-b.ts||b.dur-a.dur);
const st=[];const self={};
for(const e of x){while(st.length&&st.at(-1).ts+st.at(-1).dur<=e.ts)st.pop(); self[e.name]=(self[e.name]??0)+e.dur; if(st.length)self[st.at(-1).name]-=e.dur; st.push(e);}
console.log(Object.entries(self).sort((a,b)=>b[1]-a[1]).slice(0,22).map(([k,v])=>k+' '+(v/1000).toFixed(1)).join('\n'));
const tops=[];let end=0;for(const e of x){if(e.ts>=end){end=e.ts+e.dur;if(e.dur>8000)tops.push([((e.ts-nav)/1000).toFixed(0),(e.dur/1000).toFixed(0),e.name])}}
console.log(tops.map(t=>t.join(' ')).join('\n'));
await b.close();

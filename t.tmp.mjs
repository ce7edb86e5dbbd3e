import { chromium } from '@playwright/test';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-background-networking']});
const url='http://127.0.0.1:3391/'+(process.argv[2]??'plan');
for (let i=0;i<4;i++){
 const c = await b.newContext({viewport:{width:1280,height:800}}); const p=await c.newPage();
 await p.addInitScript(()=>{const look=()=>{if(document.querySelector('.set-card .cell-value'))globalThis.cardSeen=performance.now();else requestAnimationFrame(look)};requestAnimationFrame(look);
  const o=indexedDB.open.bind(indexedDB); IDBFactory.prototype.open=new Proxy(IDBFactory.prototype.open,{apply(t,th,a){const r=Reflect.apply(t,th,a);globalThis.marks=globalThis.marks??[];globalThis.marks.push(['idb open',performance.now()]);r.addEventListener('success',()=>globalThis.marks.push(['idb ok',performance.now()]));return r}});
  const W=Worker; globalThis.Worker=class extends W{constructor(...a){super(...a);(globalThis.marks=globalThis.marks??[]).push(['worker '+String(a[0]).slice(-20),performance.now()])}};
 });
 for (const k of ['first','later']){ await p.goto(url); await p.waitForFunction(()=>globalThis.cardSeen); await p.waitForTimeout(1000);
 console.log(k, JSON.stringify(await p.evaluate(()=>{const n=performance.getEntriesByType('navigation')[0];const s=performance.getEntriesByType('resource').filter(e=>e.name.includes('/chunks/')&&e.startTime<globalThis.cardSeen);return {card:Math.round(cardSeen),ttfb:Math.round(n.responseStart),html:Math.round(n.responseEnd),dcl:Math.round(n.domContentLoadedEventEnd),lastScript:Math.round(Math.max(...s.map(e=>e.responseEnd))),n:s.length,fcp:Math.round(performance.getEntriesByName('first-contentful-paint')[0]?.startTime),marks:(globalThis.marks??[]).map(([a,t])=>a+' '+Math.round(t)).join(', ')}})));}
 await c.close();
}
await b.close();

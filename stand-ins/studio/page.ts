/** The page of the simulated studio: programme, preview, scenes, sources, a sound meter, and a plug to pull. */
export const studioPage = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Simulated studio</title><link rel="icon" href="data:,">
<style>
:root{color-scheme:dark;font:15px/1.45 ui-rounded,"Trebuchet MS",system-ui,sans-serif;--paper:#23211d;--line:#4b463c;--ink:#f4efe3;--dim:#b9b09d;--hot:#f2a65a}
*{box-sizing:border-box}body{margin:0;background:var(--paper);color:var(--ink);min-height:100vh;padding:1rem 1.25rem}
header{display:flex;gap:1rem;align-items:baseline;flex-wrap:wrap;margin-bottom:.9rem}h1{font-size:1.15rem;margin:0}
.mark{border:1px dashed var(--dim);color:var(--dim);padding:.1rem .5rem;border-radius:99px;font-size:.8rem}
#link{margin-left:auto;font-size:.9rem}#link b{color:var(--hot)}
.desk{display:grid;grid-template-columns:minmax(0,2.1fr) minmax(15rem,1fr);gap:1.1rem;align-items:start}
.screen{position:relative;aspect-ratio:16/9;overflow:hidden;border:2px solid var(--line);background:#111}
#programme{border-color:var(--hot)}figure{margin:0}figcaption{font-size:.85rem;color:var(--dim);margin:.35rem 0 .9rem}figcaption b{color:var(--ink)}
.scene{position:absolute;inset:0;background-size:cover}.name{position:absolute;left:4%;top:5%;font-weight:700;opacity:.55;font-size:clamp(.8rem,2.2vw,1.6rem)}
.s0{background:radial-gradient(circle at 50% 80%,#ff9d3c,#7c2a10 45%,#20100a)}.s1{background:linear-gradient(#3c4a4a,#c9b48a 62%,#7a6340 62%)}
.s2{background:linear-gradient(#0d1a33,#27406b 60%,#141a22 60%)}.s3{background:repeating-linear-gradient(45deg,#5b3a5e 0 30px,#4d3151 30px 60px)}
.layer{position:absolute}.flour{inset:0;background:radial-gradient(circle at 50% 60%,#fffdf6ee,#fffdf699 35%,transparent 70%);animation:puff 1.4s ease-out}
@keyframes puff{from{opacity:0;transform:scale(.4)}}@media(prefers-reduced-motion:reduce){.flour{animation:none}}
.board{right:3%;top:12%;background:#14251ce8;border:2px solid #8fb89a;padding:.4em .7em;font-size:clamp(.55rem,1.4vw,1rem);max-width:40%}
.clock{right:3%;bottom:5%;background:#000a;padding:.1em .5em;font-variant-numeric:tabular-nums}
/* Of another scheme than its page a frame has a ground of its own: nothing would be seen through it. */
iframe{color-scheme:light;position:absolute;left:0;top:0;border:0;transform-origin:0 0;background:transparent;pointer-events:none}
h2{font-size:.95rem;margin:.2rem 0 .5rem}ul{list-style:none;margin:0 0 1.1rem;padding:0;display:grid;gap:.35rem}li{display:flex;gap:.5rem;align-items:center}li span{flex:1;min-width:0;overflow-wrap:anywhere}small{color:var(--dim);display:block}
button{font:inherit;color:inherit;background:#35322b;border:1px solid var(--line);border-radius:4px;padding:.3rem .7rem;cursor:pointer}button:hover{border-color:var(--hot)}
button[aria-pressed=true]{background:var(--hot);color:#241503;border-color:var(--hot)}:focus-visible{outline:3px solid #8ec5ff;outline-offset:2px}
meter{width:100%;height:1.1rem}
@media(max-width:760px){.desk{grid-template-columns:1fr}}
</style></head><body>
<header><h1>Studio of the night bakery</h1><span class="mark">simulated</span><span id="link" role="status"></span><button id="live"></button><button id="plug"></button></header>
<div class="desk"><div>
<figure><div class="screen" id="programme"></div><figcaption>Programme: <b id="programme-name"></b></figcaption></figure>
<label>Sound of browser sources <meter id="meter" min="-60" max="0" low="-40" high="-6" optimum="-20" value="-60"></meter></label>
</div><div>
<figure><div class="screen" id="preview"></div><figcaption>Preview: <b id="preview-name"></b></figcaption></figure>
<h2>Scenes</h2><ul id="scenes"></ul><h2>Sources</h2><ul id="sources"></ul></div></div>
<script>
const $=id=>document.getElementById(id),made={};let state=null
const act=body=>fetch('/act',{method:'POST',headers:{'content-type':'application/json'},body:JSON.stringify(body)})
const node=(tag,attrs,...inside)=>{const n=Object.assign(document.createElement(tag),attrs);n.append(...inside);return n}
function layer(each,isHeard){
 if(each.browser){const f=node('iframe',{src:each.browser.url,title:each.name,width:each.browser.widthPx,height:each.browser.heightPx,allow:'autoplay'});f.dataset.heard=isHeard;f.dataset.width=each.browser.widthPx;return f}
 if(each.name==='Flour cloud')return node('div',{className:'layer flour'})
 if(each.name==='Clock')return node('div',{className:'layer clock'},new Date().toTimeString().slice(0,5))
 return node('div',{className:'layer board'},each.text||each.name)
}
function draw(id,scene,isHeard){
 const screen=$(id);const key=JSON.stringify([scene,state.layers.filter(l=>l.isShown&&l.scenes.includes(scene))]);$(id+'-name').textContent=scene
 if(made[id]===key)return;made[id]=key
 // A browser source stays open while the scene around it changes, as it does in a broadcast program.
 const kept=new Map([...screen.querySelectorAll('iframe')].map(f=>[f.src,f]))
 const shown=state.layers.filter(l=>l.isShown&&l.scenes.includes(scene))
 for(const n of [...screen.children])if(n.tagName!=='IFRAME')n.remove()
 screen.prepend(node('div',{className:'scene s'+state.scenes.indexOf(scene)},node('span',{className:'name'},scene)))
 // What was put there last lies on top.
 shown.forEach((each,at)=>{let n=each.browser&&kept.get(new URL(each.browser.url,location.href).href);if(n)kept.delete(n.src)
  else{n=each.browser&&!isHeard?node('div',{className:'layer board'},each.name+' (browser source)'):layer(each,isHeard);screen.append(n)}
  n.style.zIndex=at+1})
 for(const f of kept.values())f.remove()
 fit()
}
function fit(){for(const f of document.querySelectorAll('iframe'))f.style.transform='scale('+Math.min(f.parentNode.clientWidth/f.width,f.parentNode.clientHeight/f.height)+')'}
function show(){
 $('link').innerHTML='';$('link').append(state.isLinked?'linked':'not linked')
 $('live').textContent=state.isLive?'End the broadcast':'Go live';$('live').setAttribute('aria-pressed',state.isLive)
 $('plug').textContent=state.isPlugged?'Unplug':'Plug in again'
 draw('programme',state.programme,true);draw('preview',state.preview,false)
 const held=document.activeElement&&document.activeElement.dataset?document.activeElement.dataset.of:null
 $('scenes').replaceChildren(...state.scenes.map(name=>node('li',{},node('span',{},name),button('Preview',name===state.preview,()=>act({do:'preview',name}),name),button('Take',name===state.programme,()=>act({do:'take',name}),name))))
 $('sources').replaceChildren(...state.layers.map(l=>node('li',{},node('span',{},l.name,node('small',{},l.browser?l.browser.widthPx+' × '+l.browser.heightPx+', '+l.browser.framesPerSecond+' pictures a second':l.scenes.join(', '))),button(l.isShown?'Shown':'Hidden',l.isShown,()=>act({do:'toggle',name:l.name}),l.name,'toggle'))))
 if(held){const b=[...document.querySelectorAll('[data-of]')].find(n=>n.dataset.of===held);if(b)b.focus()}
}
function button(text,isOn,onclick,of,is){const b=node('button',{onclick},text);b.dataset.of=(is||text)+of;b.setAttribute('aria-pressed',isOn);b.setAttribute('aria-label',text+': '+of);return b}
$('live').onclick=()=>act({do:'live'})
$('plug').onclick=()=>act({do:'plug'})
addEventListener('resize',fit)
let heardMs=0
addEventListener('message',e=>{if(e.data&&e.data.type==='thundercrest:level'){heardMs=Date.now();$('meter').value=Math.max(-60,e.data.dbfs)}})
setInterval(()=>{if(Date.now()-heardMs>400)$('meter').value=-60},200)
new EventSource('/state').onmessage=e=>{state=JSON.parse(e.data);show()}
</script></body></html>
`

# Independent derivation of expected results: formulas of the reference, written anew, no code of the project.
import math,json,random
from pathlib import Path
R=random.Random(20261126)
C=[]
def add(fam,calc,inp,exp,stop=None):
    c={"family":fam,"calculator":calc,"input":inp,"expect":exp}
    if stop is not None:c["stop"]=stop
    C.append(c)
r2=lambda x:round(x+1e-9,2)
# strip: damping
for i in range(14):
    ps=[];A=0
    for k in range(R.randint(1,4)):
        w=R.randrange(300,1600,10);h=R.randrange(200,1000,10);cov=R.choice([.25,.33,.5,.66,1]);n=R.randint(1,3);pad=R.random()<.15;cut=R.random()<.15
        p={"name":f"p{k}","w":w,"h":h,"cover":cov,"count":n}
        if pad:p["factoryPad"]=True
        if cut:p["cutOut"]=True
        ps.append(p)
        if not pad and not cut:A+=w*h*cov*n/1e6
    sw,sh=R.choice([(500,400),(460,800),(500,700)]);kg=R.choice([3.0,3.6,4.1]);waste=R.choice([.05,.08,.12])
    add("strip","damping",{"panels":ps,"sheet":{"w":sw,"h":sh,"kgM2":kg},"waste":waste},{"areaM2":round(A,4),"sheets":math.ceil(round(A*(1+waste)*1e6/(sw*sh),9)),"massKg":round(A*kg,3)})
for i in range(14):
    holes=[];m=0;plugs={}
    for k in range(R.randint(1,4)):
        d=R.choice([6,8,10,19,25,32,60,75]);n=R.randint(1,12);th=R.random()<.5
        holes.append({"d":d,"count":n,"place":R.choice(["roof","wall","floor"]),"throughSkin":th})
        plate=th and d>50
        m+=n*(45 if plate else 6 if th else 3)
        if not plate:plugs[d]=plugs.get(d,0)+n
    rust=[];pr=0;st=False
    for k in range(R.randint(0,3)):
        a=R.choice([.5,1,2,3.5,6]);g=R.choice([1,1,2,2,3]);rust.append({"areaDm2":a,"grade":g})
        if g==3:st=True
        else:m+=a*(5 if g==1 else 12);pr+=(math.sqrt(a*1e4)+40)**2/1e4
    items=[];kg=0
    for k in range(R.randint(1,4)):
        w=R.choice([2.5,7,12.4,31]);f=R.choice(["keep","store","sell","return","scrap","template","stays on"]);items.append({"name":f"i{k}","kg":w,"fate":f})
        if f!="stays on":kg+=w
    add("strip","strip-list",{"holes":holes,"rust":rust,"items":items},{"minutes":r2(m),"massRemovedKg":round(kg,3),"primerDm2":r2(pr),"plugs":[{"d":d,"count":plugs[d]} for d in sorted(plugs)]},st)
SAWS=[16,20,25,30,32,35,40,44,51,57,60,64,68,76,80,83,92,100,102,108,114,120,127,140,152]
for i in range(28):
    L=R.randrange(100,1500);W=R.randrange(500,1400);B=R.randrange(600,1000);H=R.randrange(400,700)
    w=R.randrange(300,W-60);h=R.randrange(250,H-40);r=R.choice([0,20,30,45,60,75]);r=min(r,min(w,h)//2)
    ml=R.choice([15,20,25,30])
    am=R.choice(["centre","fromLeft","fromRight"]);um=R.choice(["centre","fromBottom","fromTop"])
    ab=R.randrange(0,W-w+1);ub=R.randrange(0,H-h+1)
    left=L+(W-w)/2 if am=="centre" else L+ab if am=="fromLeft" else L+W-ab-w
    bot=B+(H-h)/2 if um=="centre" else B+ub if um=="fromBottom" else B+H-ub-h
    lands={"left":left-L,"right":L+W-left-w,"bottom":bot-B,"top":B+H-bot-h}
    saws=[s for s in SAWS if s<=2*r]
    inp={"field":{"left":L,"right":L+W,"bottom":B,"top":B+H},"cut":{"w":w,"h":h,"r":r},"minLand":ml,"place":{"along":"centre" if am=="centre" else {am:ab},"up":"centre" if um=="centre" else {um:ub}},"skin":R.choice(["single","double"])}
    add("opening","opening",inp,{"edges.left":r2(left),"edges.right":r2(left+w),"edges.bottom":r2(bot),"edges.top":r2(bot+h),"lands.left":r2(lands["left"]),"lands.right":r2(lands["right"]),"lands.bottom":r2(lands["bottom"]),"lands.top":r2(lands["top"]),"perimeter":round(2*(w+h)-8*r+2*math.pi*r,1),"diagonal":round(math.hypot(w,h),1),"saw":max(saws) if saws else None},any(v<ml-1e-9 for v in lands.values()))
for i in range(26):
    b=R.choice([38,40,44,45,60]);t=R.choice([18,20,25]);W=R.randrange(300,760,10);H=R.randrange(280,500,10);p=R.choice([1,2,3]);gap=R.randrange(380,620)
    room=gap-2*p
    turned=H+2*b>room and W+2*b<=room
    th,be=(H,W) if turned else (W,H)
    shave=max(0,(be+2*b-room)/2)
    add("frame","support-frame",{"cut":{"w":W,"h":H},"batten":{"b":b,"t":t},"gap":gap,"play":p},{"shave":r2(shave),"fits":shave==0,"long.length":r2(th+2*b),"short.length":r2(be)},shave>b/2)
for i in range(14):
    js=[];ml=0
    for k in range(R.randint(1,4)):
        l=R.randrange(200,6000,10);kind=R.choice(["round","triangle","flat"]);n=R.choice([1,1,2])
        if kind=="round":d=R.choice([5,6,8]);bead={"kind":kind,"d":d};s=math.pi*d*d/4
        elif kind=="triangle":w,h=R.choice([(8,12),(6,10),(10,10)]);bead={"kind":kind,"w":w,"h":h};s=w*h/2
        else:w,t=R.choice([(20,3),(15,2),(25,1.5)]);bead={"kind":kind,"w":w,"t":t};s=w*t
        js.append({"length":l,"bead":bead,"passes":n});ml+=l*s*n/1000
    waste=R.choice([.05,.1,.15]);pack=R.choice([290,310,400,600]);ml*=1+waste
    add("chemicals","sealant",{"joints":js,"waste":waste,"pack":pack},{"ml":round(ml+1e-9,1),"packs":math.ceil(round(ml/pack,9))},False)
for i in range(14):
    k=R.choice([2,3,4]);mv=R.choice([1,4,12,24]);mc=R.choice([0,5,8]);d=R.choice([3,4,6,8,10]);T=R.choice([-2,3,5,8,13,18,23,28])
    inp={"product":{"moveAfterH":mv,"mm24h":k,"minC":mc},"depth":d,"tempC":T}
    if T<mc:add("chemicals","cure",inp,{"fullDays":None,"moveAfterH":None},True)
    else:
        f=2**((23-T)/10);add("chemicals","cure",inp,{"fullDays":r2((d/k)**2*f),"moveAfterH":r2(mv*f)},False)
def hhmm(m):return f"{m//60:02d}:{m%60:02d}"
for i in range(26):
    # steps without spread: the stretch is their sum, whatever the draw
    ms=[R.choice([10,15,20,30,45]) for _ in range(R.randint(2,5))];S=sum(ms)
    now=R.randrange(8*60,12*60,5);sun=R.randrange(16*60,18*60+30,5);dto=R.randrange(13*60,20*60,5)
    end=min(sun,dto)
    add("open-skin","open-skin",{"now":hhmm(now),"steps":[{"name":f"s{n}","minutes":{"best":m,"likely":m,"worst":m}} for n,m in enumerate(ms)],"people":2,"peopleNeeded":2,"sunset":hhmm(sun),"dry":[{"from":"06:00","to":hhmm(dto),"chance":.9}],"tempC":15,"minC":8,"units":[{"name":"u","arrived":True,"checked":True,"dryFitted":True}]},{"p50":S,"p90":S,"latestStart":hhmm(end-S-20),"verdict":"go" if now<=end-S-20 else "no"})
for i in range(26):
    L=R.randrange(2500,4000,50);W=R.randrange(1500,1800,10)
    x0=R.randrange(300,L-900);x1=x0+R.randrange(200,600);y0=R.randrange(200,W-700);y1=y0+R.randrange(150,400);m=R.choice([10,15,25,40])
    d=R.choice([20,25,32,44,60]);
    mode=R.choice(["beside","beside","corner","in"])
    if mode=="in":a=(x0+x1)/2;c=(y0+y1)/2;clear=-min((x1-x0)/2,(y1-y0)/2)-d/2
    elif mode=="beside":
        g=R.randrange(5,140);a=x1+g;c=(y0+y1)/2;clear=g-d/2
    else:
        gx=R.randrange(5,80);gy=R.randrange(5,80);a=x1+gx;c=y1+gy;clear=math.hypot(gx,gy)-d/2
    verdict="clear" if clear>=m else "clash" if clear<0 else "tight"
    add("under-floor","under-floor",{"floor":{"length":L,"width":W},"zones":[{"name":"tank","polygon":[[x0,y0],[x1,y0],[x1,y1],[x0,y1]],"margin":m}],"holes":[{"name":"h","along":a,"across":c,"d":d}]},{"holes.0.verdict":verdict,"holes.0.clearance":round(clear+1e-9,1),"holes.0.fromBelow.across":r2(W-c)})
# roof plan: bays that fit
for i in range(26):
    n=R.randint(3,6);L=0;ribs=[];
    pos=R.randrange(100,300)
    for k in range(n):
        ribs.append({"at":pos,"width":R.choice([40,44,60])});pos+=R.randrange(380,620)
    L=pos+R.randrange(50,200);W=R.randrange(1400,1600,10);cut=R.choice([343,360,400,420]);rm=R.choice([0,5,10])
    edges=[0]+[x for r in ribs for x in (r["at"]-r["width"]/2,r["at"]+r["width"]/2)]+[L]
    bays=[(edges[2*k],edges[2*k+1]) for k in range(n+1)]
    fit=[k for k,(a,b) in enumerate(bays) if b-a>=cut+2*rm]
    H=R.choice([30,38,44]);fl=cut+40
    add("roof","roof-plan",{"roof":{"length":L,"width":W,"crown":H},"ribs":ribs,"items":[{"name":"fan","overall":{"length":fl,"width":fl},"cut":{"length":cut,"width":cut}}],"margins":{"rib":rm,"item":40,"edge":0}},{"baysThatFit.fan":fit,"packing.0.mm":round(H*(fl/W)**2+1e-9,1)})
# The smaller sheets of strip.
S="strip sums"
for i in range(6):
    cs=[{"name":f"c{k}","amps":R.choice([.05,.12,.4,1.5,2.2]),"hoursADay":R.choice([.5,1,3,24])} for k in range(R.randint(1,4))]
    cap=R.choice([70,95,110]);u=R.choice([.4,.5,.6]);st=R.randint(1,20)
    D=sum(c["amps"]*c["hoursADay"] for c in cs)
    add(S,"battery-stand",{"capacityAh":cap,"usable":u,"standDays":st,"circuits":cs},{"ahADay":r2(D),"daysToFlat":round(u*cap/D+1e-9,1),"neededDays":st+2})
    a=R.randrange(250,330);b=R.randrange(280,340);hole=R.choice([9,10.5,11]);bolt=8
    va=a+R.choice([-4,-1.5,-.5,0,1,3]);vb=b+R.choice([-3,-1,0,.5,2])
    off=math.sqrt((a-va)**2+(b-vb)**2);fits=off<=hole-bolt+1e-9
    add(S,"bolt-pattern",{"part":{"a":a,"b":b,"hole":hole},"van":{"a":va,"b":vb,"bolt":bolt}},{"off":r2(off),"play":r2(hole-bolt),"fits":fits,"outBy":r2(max(0,off-(hole-bolt)))},not fits)
    T=R.randrange(2,30);H=R.randrange(30,96);ts=T+R.choice([-9,-5,-2,0,3])
    g=math.log(H/100)+17.62*T/(243.12+T);td=243.12*g/(17.62-g)
    add(S,"dew-point",{"airC":T,"humidity":H,"skinC":ts},{"dewPointC":r2(td),"dryEnough":ts-td>=3},ts-td<3)
    e=R.choice([.5,1,2,4]);l=e+R.choice([4,20,34]);t=R.randrange(6,30);f=2**((23-t)/10)
    add(S,"recoat",{"earliestH":e,"latestH":l,"tempC":t},{"factor":round(f,3),"earliestH":r2(e*f),"latestH":round(l*f+1e-9,1)})
    pl=R.choice([6,9,12]);zs=[R.randrange(3,40) for k in range(R.randint(2,6))]
    add(S,"edge-support",{"plate":pl,"stations":[{"at":k*120,"depth":z} for k,z in enumerate(zs)]},{"highest":max(zs)-pl,"heights.1.height":zs[1]-pl},min(zs)<pl)
    la=R.choice([.8,1.5,2.6]);pa=R.choice([4,7.8,11]);n={"peel":R.randint(8,16),"adhesive":R.randint(5,12),"faint":R.randint(6,12),"clear":R.randint(18,26)};gh=R.choice(["none","faint","clear","not known"]);sh=R.choice([.25,.5,.75])
    pol={"none":0,"faint":pa*n["faint"],"clear":pa*n["clear"],"not known":sh*pa*n["clear"]}[gh]
    o=la*(n["peel"]+n["adhesive"])
    add(S,"lettering",{"letterM2":la,"panelM2":pa,"norms":n,"ghost":gh,"share":sh},{"offMinutes":round(o+1e-9,1),"polishMinutes":round(pol+1e-9,1),"minutes":round(o+pol+1e-9,1)})
    zz=[{"name":f"z{k}","m2":R.choice([1.5,2.5,3.2,4.1]),"minutes":R.randrange(20,90)} for k in range(R.randint(1,4))];rest=[R.choice([2,5,9.5]) for k in range(R.randint(1,3))]
    two=zz[-2:];rate=sum(z["minutes"] for z in two)/sum(z["m2"] for z in two)
    add(S,"zone-rate",{"zones":zz+[{"name":f"r{k}","m2":m} for k,m in enumerate(rest)]},{"minutesPerM2":r2(rate),"restM2":r2(sum(rest)),"minutesLeft":round(rate*sum(rest)+1e-9,1)})
    rad=R.randrange(450,600,10);cl=R.choice([15,25,40]);d=R.randrange(200,700,10);beg=R.randrange(0,600,20);ln=1600
    s0=math.sqrt(max(0,(rad+cl)**2-d*d)) if d<rad+cl else 0;lost=max(0,s0-beg) if d<rad+cl else 0
    add(S,"swivel",{"radius":rad,"clearance":cl,"unit":{"faceBeside":d,"begins":beg,"length":ln}},{"reach":rad+cl,"beginsAt":round(s0+1e-9,1),"lost":round(lost+1e-9,1),"lengthLeft":round(ln-lost+1e-9,1)})
# The smaller sheets of openings.
S="opening sums"
for i in range(5):
    u=R.randrange(250,500);v=R.randrange(250,500);c=R.choice([1.5,2,3]);cm=R.choice([.5,1]);m=R.choice([10,14,16]);F=(u+2*m+R.randrange(10,40),v+2*m+R.randrange(10,40))
    rd=(u+R.choice([0,3,5]),v+R.choice([1,4,80]))
    bad=any(not(s+2*cm<=x<=f-2*m) for s,x,f in zip((u,v),rd,F))
    add(S,"hole-range",{"spigot":{"w":u,"h":v},"flange":{"w":F[0],"h":F[1]},"land":m,"clearance":c,"least":cm,"read":{"w":rd[0],"h":rd[1]}},{"smallest.w":r2(u+2*cm),"largest.h":r2(F[1]-2*m),"hole.w":r2(min(u+2*c,F[0]-2*m))},bad)
    rt=R.choice([30,55,64,70,90]);rf=R.choice([40,58,66]);gp=R.choice([1,2,3]);most=rf+gp*math.sqrt(2)/(math.sqrt(2)-1)
    add(S,"corners",{"cutRadius":rt,"frameRadius":rf,"gap":gp},{"enters":rt<=most,"largestRadius":round(most,1),"gapNeeded":round(max(0,(rt-rf)*(math.sqrt(2)-1)/math.sqrt(2)),1)},rt>most)
    os=[{"name":f"o{k}","cut":R.randrange(20,70),"set":R.randrange(20,60)} for k in range(R.randint(1,5))];dr=R.choice([20,45,90])
    E=[];x=0
    for o in os:x+=o["cut"];E.append(x)
    B=[max(E[-1],E[0]+dr)]
    for k in range(1,len(os)):B.append(max(B[-1]+os[k-1]["set"],E[k]+dr))
    add(S,"session",{"openings":os,"drying":dr},{"end":B[-1]+os[-1]["set"],"oneByOne":sum(o["cut"]+dr+o["set"] for o in os)})
    Lm=R.randrange(1800,2000,10);Wm=R.randrange(1200,1500,10);bi=R.randrange(1700,1900,5);p1=R.choice([0,60,90]);p2=R.choice([0,60,90]);tl=R.choice([5,7,9]);sl=R.choice([10,20])
    room=bi+p1+p2-2*tl
    add(S,"bed-across",{"mattress":{"length":Lm,"width":Wm},"insideWidth":bi,"recesses":{"left":p1,"right":p2},"lining":tl,"slack":sl},{"room":room,"asked":Lm+sl,"fits":room>=Lm+sl,"floorWon":Lm-Wm},room<Lm+sl)
    ce=R.randrange(700,900);pw=R.choice([540,664,700]);pll=R.choice([1000,1176,1480]);q=R.choice([2,4,6]);dg=math.hypot(pw,pll+q);d1=round(dg)+R.choice([-1,0,2]);d2=d1+R.choice([-6,-2,0,3,7]);tol=round(3*dg/1000+1e-9,2)
    add(S,"solar-feet",{"centre":ce,"panel":{"width":pw,"length":pll},"play":q,"diagonals":[d1,d2]},{"lines.0":ce-pw/2,"lines.1":ce+pw/2,"pair":pll+q,"diagonal":round(dg,1),"tolerance":tol},abs(d1-d2)>tol)
    al=R.randrange(500,4000,10);ac=R.randrange(100,900,10);dp=R.randrange(800,1900,10);am=R.choice([4,8,11,16]);vo=R.choice([12,24]);ll=1.1*(al+ac+dp)/1000;A=2*ll*am*.0175/(.02*vo);fit=next((x for x in [1.5,2.5,4,6,10,16,25,35] if x>=A-1e-9),None)
    add(S,"cable",{"along":al,"across":ac,"drop":dp,"amps":am,"volts":vo},{"metres":round(ll,3),"leastMm2":r2(A),"mm2":fit},fit is None)
    st=[R.choice([2,3.5,5]),R.choice([6,11]),.8];ri=R.choice([12,18,21]);sk=R.choice([[20,25,30,35],[16,40]]);lo=sum(st)+12;hi=sum(st)+ri-2;ok=[x for x in sk if round(lo,2)<=x<=round(hi,2)]
    add(S,"flange-screw",{"stack":st,"ring":ri,"stock":sk},{"least":r2(lo),"most":r2(hi),"fits":ok},not ok)
    ly=[R.choice([4,9,16,22,29]) for k in range(4)];co=R.choice([40,55,78,90]);Tt=sum(ly)
    add(S,"depths",{"layers":[{"name":f"l{k}","t":x} for k,x in enumerate(ly)],"collar":co},{"throat":Tt,"cutOff":max(0,co-Tt),"rawEdge":max(0,Tt-co)})
    w=R.choice([18,24,30]);sts=[{"length":R.randrange(200,500,20),"gap":R.choice([.4,1.7,2.9,3.6,4.5])} for k in range(4)];fl=sum(x["gap"]*w*x["length"]/1000 for x in sts if x["gap"]<=3);av=sum(x["gap"]*w*x["length"]/1000 for x in sts)
    add(S,"low-places",{"land":w,"stations":sts},{"ml":round(fl+1e-9,1),"allFilledMl":round(av+1e-9,1),"packers.length":sum(x["gap"]>3 for x in sts)},False)
    hv=R.randrange(1950,3100,5);hb=R.randrange(3200,4300,10)
    add(S,"height",{"van":hv,"bay":hb},{"spare":hb-hv-1100,"indoors":hb-hv>=1100})
    tr=R.choice([40,48,60]);rn=R.randrange(200,900,20);fa=R.choice([.02,.025]);ih=R.randrange(1800,2200,5);fs=R.choice([30,39,46])
    add(S,"drain",{"trap":tr,"run":rn,"fall":fa,"insideHeight":ih,"floorStack":fs},{"raise":r2(tr+fa*rn),"headRoom":r2(ih-fs-tr-fa*rn)})
json.dump(C,open(Path(__file__).with_name('cases.json'),'w'),indent=0)
print(len(C))

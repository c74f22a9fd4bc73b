"""Trains the small nets that find eggs and young in a picture, and writes their weights for the core.

    python train.py eggs|young FOLDER... --minutes 30 --out weights.json

Each folder holds pictures drawn by `npm run draw` and their truth.json. Only needed to make new weights: nothing of this is
installed, run or tested with the application.
"""
import argparse, copy, json, math, random, time
import numpy as np, torch, torch.nn as nn, torch.nn.functional as F
from PIL import Image

CROP = 256
# Typical size of an object at the scale it is shown to the net, pixels: radius of an egg, length of the young.
SIZES = {'eggs': (3.4, 13.0), 'young': (20.0, 95.0), 'flea': (8.0, 30.0)}


# Planes at a half, a quarter, an eighth and a sixteenth of the size; and what is told.
CHANNELS = {'eggs': (16, 32, 48, 64), 'young': (16, 32, 48, 64)}
OUTPUTS = {'eggs': 3, 'young': 6}


def block(cin, cout, stride=1):
    return nn.Sequential(
        nn.Conv2d(cin, cin, 3, stride, 1, groups=cin, bias=False), nn.BatchNorm2d(cin),
        nn.Conv2d(cin, cout, 1, bias=False), nn.BatchNorm2d(cout), nn.ReLU(inplace=True))


def point(cin, cout):
    return nn.Sequential(nn.Conv2d(cin, cout, 1, bias=False), nn.BatchNorm2d(cout))


class Net(nn.Module):
    """Halves the picture four times and joins what it saw on the way up; tells at half the size of the picture."""

    def __init__(self, kind):
        super().__init__()
        a, b, c, d = CHANNELS[kind]
        outputs = OUTPUTS[kind]
        self.stem = nn.Sequential(nn.Conv2d(3, a, 3, 2, 1, bias=False), nn.BatchNorm2d(a), nn.ReLU(inplace=True))
        self.e1 = block(a, a)
        self.e2 = nn.Sequential(block(a, b, 2), block(b, b), block(b, b))
        self.e3 = nn.Sequential(block(b, c, 2), block(c, c), block(c, c))
        self.e4 = nn.Sequential(block(c, d, 2), block(d, d), block(d, d), block(d, d))
        self.u3, self.d3 = point(d, c), block(c, c)
        self.u2, self.d2 = point(c, b), block(b, b)
        self.u1, self.d1 = point(b, a), nn.Sequential(block(a, a), block(a, a))
        self.head = nn.Conv2d(a, outputs, 1)

    def forward(self, x):
        up = lambda t: F.interpolate(t, scale_factor=2, mode='nearest')
        e1 = self.e1(self.stem(x)); e2 = self.e2(e1); e3 = self.e3(e2); e4 = self.e4(e3)
        d3 = self.d3(F.relu(e3 + up(self.u3(e4))))
        d2 = self.d2(F.relu(e2 + up(self.u2(d3))))
        d1 = self.d1(F.relu(e1 + up(self.u1(d2))))
        return self.head(d1)


def load(folders, kind):
    some = []
    for folder in folders:
        for p in json.load(open(f'{folder}/truth.json'))['pictures']:
            if p['options']['kind'] != kind: continue
            whole = torch.from_numpy(np.asarray(Image.open(f"{folder}/{p['file']}").convert('RGB')).copy()).permute(2, 0, 1)
            levels = [whole]
            for _ in range(2):
                levels.append(F.avg_pool2d(levels[-1][None].float(), 2)[0].round().byte())
            if kind == 'eggs':
                objects = np.array([[o['x'], o['y'], o['r'], float(o['isWhite'])] for o in p['objects']], np.float32).reshape(-1, 4)
                size, bounds = (np.median(objects[:, 2]) if len(objects) else 15.0), SIZES['eggs']
            else:
                objects = np.array([[o['x'], o['y'], *o['head'], o['lengthPx']] for o in p['objects']], np.float32).reshape(-1, 5)
                size = np.median(objects[:, 4]) if len(objects) else 60.0
                bounds = SIZES['flea'] if size < 34 else SIZES['young']
            # A shown picture: brightness and spread of the whole, as the core takes them.
            small = levels[2].float()
            some.append(dict(levels=levels, objects=objects, size=float(size), bounds=bounds, mean=float(small.mean()), std=float(small.std())))
    return some


def sample(p, kind, rng):
    low, high = p['bounds']
    want = low * (high / low) ** rng.random()
    if rng.random() < 0.1: want *= rng.choice([0.7, 1.5])
    scale = min(1.0 if p['size'] > 14 else 1.3, want / p['size'])
    height, width = p['levels'][0].shape[1:]
    side = CROP / scale
    objects = p['objects']
    if len(objects) and rng.random() < 0.6:
        x, y = objects[rng.randrange(len(objects))][:2]
        x0, y0 = x - side * rng.random(), y - side * rng.random()
    else:
        x0, y0 = rng.random() * max(1, width - side), rng.random() * max(1, height - side)
    x0, y0 = min(max(0, x0), max(0, width - side)), min(max(0, y0), max(0, height - side))
    level = 0 if scale > 0.6 else 1 if scale > 0.3 else 2
    f = 2 ** level
    a, b = int(x0 / f), int(y0 / f)
    cut = p['levels'][level][:, b:b + int(math.ceil(side / f)) + 1, a:a + int(math.ceil(side / f)) + 1].float()
    w, h = round(cut.shape[2] * f * scale), round(cut.shape[1] * f * scale)
    cut = F.interpolate(cut[None], size=(h, w), mode='bilinear', antialias=True, align_corners=False)[0][:, :CROP, :CROP]
    # What lies outside of the picture is of its mean.
    own = torch.empty(3, CROP, CROP).fill_(p['mean'])
    own[:, :cut.shape[1], :cut.shape[2]] = cut
    place = (objects[:, :2] - (a * f, b * f)) * scale
    rest = objects.copy(); rest[:, :2] = place
    if kind == 'eggs': rest[:, 2] *= scale
    else:
        rest[:, 2:4] = (objects[:, 2:4] - (a * f, b * f)) * scale
        rest[:, 4] *= scale
    own = (own - p['mean']) / max(20.0, p['std'])
    # Another light, another cast, more blur and noise.
    gain = 1 + 0.25 * rng.gauss(0, 1) * 0.6
    own = own * gain + rng.gauss(0, 0.2)
    own = own * (1 + 0.06 * torch.tensor([rng.gauss(0, 1) for _ in range(3)])[:, None, None]) + 0.06 * torch.tensor([rng.gauss(0, 1) for _ in range(3)])[:, None, None]
    # Colour tells white eggs from clear ones: of young alone it is turned about.
    if kind == 'young' and rng.random() < 0.15: own = own.mean(0, keepdim=True) + (own - own.mean(0, keepdim=True)) * rng.random()
    if kind == 'young' and rng.random() < 0.15: own = own[torch.randperm(3)]
    if rng.random() < 0.25: own = F.avg_pool2d(F.pad(own[None], (1, 1, 1, 1), mode='replicate'), 3, 1)[0] * 0.7 + own * 0.3
    if rng.random() < 0.4: own = own + torch.randn_like(own) * 0.12 * rng.random()
    if rng.random() < 0.5: own = own.flip(2); rest[:, 0] = CROP - rest[:, 0]; (kind == 'young') and rest.__setitem__((slice(None), 2), CROP - rest[:, 2])
    if rng.random() < 0.5: own = own.flip(1); rest[:, 1] = CROP - rest[:, 1]; (kind == 'young') and rest.__setitem__((slice(None), 3), CROP - rest[:, 3])
    if rng.random() < 0.5:
        own = own.transpose(1, 2); rest[:, [0, 1]] = rest[:, [1, 0]]
        if kind == 'young': rest[:, [2, 3]] = rest[:, [3, 2]]
    return own.contiguous(), target(rest, kind)


OUT = CROP // 2


def splat(heat, x, y, sigma):
    r = int(3 * sigma + 1)
    cx, cy = int(x), int(y)
    x0, x1, y0, y1 = max(0, cx - r), min(OUT, cx + r + 1), max(0, cy - r), min(OUT, cy + r + 1)
    if x0 >= x1 or y0 >= y1: return
    ys, xs = np.ogrid[y0:y1, x0:x1]
    g = np.exp(-((xs - cx) ** 2 + (ys - cy) ** 2) / (2 * sigma * sigma)).astype(np.float32)
    np.maximum(heat[y0:y1, x0:x1], g, out=heat[y0:y1, x0:x1])


def target(objects, kind):
    """Heat of the middles (and heads), and for places near them what is told of each; a mask of these places."""
    heats = np.zeros((1 if kind == 'eggs' else 2, OUT, OUT), np.float32)
    told = np.zeros((2 if kind == 'eggs' else 6, OUT, OUT), np.float32)
    mask = np.zeros((1 if kind == 'eggs' else 2, OUT, OUT), np.float32)
    inside = lambda x, y: 0 <= x < OUT and 0 <= y < OUT
    for o in objects:
        x, y = o[0] / 2, o[1] / 2
        if kind == 'eggs':
            if not inside(x, y): continue
            splat(heats[0], x, y, max(0.7, 0.16 * o[2]))
            for i in range(max(0, int(x) - 1), min(OUT, int(x) + 2)):
                for j in range(max(0, int(y) - 1), min(OUT, int(y) + 2)):
                    told[:, j, i] = (math.log(o[2] / 6), o[3]); mask[0, j, i] = 1
        else:
            hx, hy, length = o[2] / 2, o[3] / 2, o[4]
            for at, (px, py) in enumerate(((x, y), (hx, hy))):
                if not inside(px, py): continue
                splat(heats[at], px, py, max(0.8, 0.022 * length))
                for i in range(max(0, int(px) - 1), min(OUT, int(px) + 2)):
                    for j in range(max(0, int(py) - 1), min(OUT, int(py) + 2)):
                        # Length, and from the head to the middle in half pixels of sixteen.
                        told[at, j, i] = math.log(length / 40)
                        if at == 1: told[2:4, j, i] = ((x - i - 0.5) / 8, (y - j - 0.5) / 8)
                        mask[at, j, i] = 1
    return torch.from_numpy(heats), torch.from_numpy(told), torch.from_numpy(mask)


def loss_of(out, heats, told, mask, kind):
    n = heats.shape[1]
    p = out[:, :n].sigmoid().clamp(1e-4, 1 - 1e-4)
    top = heats.ge(0.999).float()
    positive = -(((1 - p) ** 2) * p.log() * top).sum()
    negative = -(((1 - heats) ** 4) * (p ** 2) * (1 - p).log() * (1 - top)).sum()
    many = top.sum().clamp(min=1)
    spots = mask.sum().clamp(min=1)
    if kind == 'eggs':
        size = (F.smooth_l1_loss(out[:, 1:2], told[:, 0:1], reduction='none', beta=0.1) * mask).sum() / spots
        white = (F.binary_cross_entropy_with_logits(out[:, 2:3], told[:, 1:2], reduction='none') * mask).sum() / spots
        rest = size + 0.5 * white
    else:
        m, h = mask[:, 0:1], mask[:, 1:2]
        size = (F.smooth_l1_loss(out[:, 2:3], told[:, 0:1], reduction='none', beta=0.05) * m).sum() / spots + (F.smooth_l1_loss(out[:, 3:4], told[:, 1:2], reduction='none', beta=0.05) * h).sum() / spots
        way = (F.smooth_l1_loss(out[:, 4:6], told[:, 2:4], reduction='none', beta=0.2) * h).sum() / spots
        rest = 2 * size + 0.4 * way
    return (positive + negative) / many + rest, float((positive + negative).detach() / many), float(rest.detach())


def folded(net):
    """Every convolution with its batch norm folded in, in the order the core runs them."""
    layers, mods = [], list(net.modules())
    for i, m in enumerate(mods):
        if isinstance(m, nn.Conv2d):
            w, b = m.weight.detach(), (m.bias.detach() if m.bias is not None else torch.zeros(m.out_channels))
            if i + 1 < len(mods) and isinstance(mods[i + 1], nn.BatchNorm2d):
                n = mods[i + 1]; k = n.weight.detach() / (n.running_var + n.eps).sqrt()
                w = w * k[:, None, None, None]; b = (b - n.running_mean) * k + n.bias.detach()
            layers.append((w, b))
    return layers


def write(net, path, kind):
    """Whole numbers of 4096ths: finer than what is told by it."""
    flat = torch.cat([torch.cat([w.reshape(-1), b.reshape(-1)]) for w, b in folded(net)])
    with open(path, 'w') as file:
        json.dump({'channels': CHANNELS[kind], 'parts': 4096, 'weights': (flat * 4096).round().int().tolist()}, file, separators=(',', ':'))
        file.write('\n')


def keep(net, path, data, kind):
    """Writes a net whose means and scatters are those of its own, smoothed, weights."""
    own, rng = copy.deepcopy(net), random.Random(3)
    torch.save(own.state_dict(), path + '.pt')
    for m in own.modules():
        if isinstance(m, nn.BatchNorm2d): m.reset_running_stats(); m.momentum = None
    own.train()
    with torch.no_grad():
        for _ in range(30): own(torch.stack([sample(data[rng.randrange(len(data))], kind, rng)[0] for _ in range(8)]))
    own.eval()
    write(own, path, kind)


if __name__ == '__main__':
    a = argparse.ArgumentParser()
    a.add_argument('kind', choices=['eggs', 'young']); a.add_argument('folders', nargs='+')
    a.add_argument('--minutes', type=float, default=20); a.add_argument('--out', default='weights.json')
    a.add_argument('--threads', type=int, default=1); a.add_argument('--from-state'); a.add_argument('--rate', type=float, default=4e-3)
    o = a.parse_args()
    torch.set_num_threads(o.threads); torch.manual_seed(7); rng = random.Random(7)
    data = load(o.folders, o.kind)
    print(len(data), 'pictures', flush=True)
    net = Net(o.kind)
    with torch.no_grad():
        net.head.bias[: 1 if o.kind == 'eggs' else 2] = -4.0
    if o.from_state: net.load_state_dict(torch.load(o.from_state))
    print(sum(p.numel() for p in net.parameters()), 'weights', flush=True)
    opt = torch.optim.AdamW(net.parameters(), lr=o.rate, weight_decay=1e-4)
    net = net.to(memory_format=torch.channels_last)
    smooth = torch.optim.swa_utils.AveragedModel(net, multi_avg_fn=torch.optim.swa_utils.get_ema_multi_avg_fn(0.997), use_buffers=True)
    begin, step, seen = time.time(), 0, [0.0, 0.0]
    while True:
        part = (time.time() - begin) / (60 * o.minutes)
        if part >= 1: break
        for g in opt.param_groups: g['lr'] = o.rate * (min(1, step / 100) * (0.5 + 0.5 * math.cos(math.pi * part)) + 0.005)
        batch = [sample(data[rng.randrange(len(data))], o.kind, rng) for _ in range(8)]
        x = torch.stack([b[0] for b in batch]).contiguous(memory_format=torch.channels_last); heats, told, mask = (torch.stack([b[1][k] for b in batch]) for k in range(3))
        loss, heat, rest = loss_of(net(x), heats, told, mask, o.kind)
        opt.zero_grad(); loss.backward(); nn.utils.clip_grad_norm_(net.parameters(), 5.0); opt.step(); smooth.update_parameters(net)
        step += 1; seen[0] += heat; seen[1] += rest
        if step % 500 == 0:
            print(f'{step} {time.time() - begin:.0f}s heat {seen[0] / 500:.3f} rest {seen[1] / 500:.3f}', flush=True); seen = [0.0, 0.0]
            keep(smooth.module, o.out, data, o.kind)
    keep(smooth.module, o.out, data, o.kind)

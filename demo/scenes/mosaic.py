#!/usr/bin/python3
"""Turn a linear OpenEXR render into a raw file: seen by a made-up sensor through a mosaic of colours, as a DNG 1.4.

usage: mosaic.py in.exr out.dng [ev=0] [iso=400] [kelvin=5200] [seed=1]
Light beyond what the sensor takes is lost channel by channel, as in a camera; noise is that of photons and of reading.
Twelve bits, packed; a JPEG to look at stands in front.
"""
import struct, subprocess, sys
import numpy as np
from scipy.ndimage import gaussian_filter

src, dst = sys.argv[1:3]
o = dict(ev=0., iso=400., kelvin=5200., seed=1.)
o.update((k, float(v)) for k, v in (a.split('=') for a in sys.argv[3:]))

w, h = map(int, subprocess.check_output(['identify-im6.q16hdri', '-format', '%w %h', src]).split())
e = np.frombuffer(subprocess.check_output(['convert-im6.q16hdri', src, '-alpha', 'off', '-depth', '32', '-define',
                                           'quantum:format=floating-point', 'rgb:-']), '<f4').reshape(h, w, 3)
# The reader hands back sRGB-encoded floats.
lin = np.where(e <= .04045, e / 12.92, ((np.maximum(e, .04045) + .055) / 1.055) ** 2.4)
lin = np.nan_to_num(lin, nan=0., posinf=60.).clip(0, 60.) * 2. ** o['ev']

SRGB = np.array([[.4124564, .3575761, .1804375], [.2126729, .7151522, .0721750], [.0193339, .1191920, .9503041]])
DAY = np.array([[.72, -.18, -.06], [-.42, 1.22, .22], [-.08, .20, .60]])   # XYZ to sensor, under 6504 K
LAMP = np.array([[.84, -.26, -.02], [-.36, 1.14, .26], [-.04, .16, .72]])  # under 2856 K
# A lens and the filter ahead of the sensor leave nothing finer than the mosaic can tell.
sensor = gaussian_filter(np.minimum(lin, 20.), (.75, .75, 0)) @ (DAY @ SRGB).T

def daylight(t):
    x = -4.6070e9 / t**3 + 2.9678e6 / t**2 + 99.11 / t + .244063
    y = -3 * x * x + 2.87 * x - .275
    return np.array([x / y, 1, (1 - x - y) / y])

share = (1 / o['kelvin'] - 1 / 2856) / (1 / 6504 - 1 / 2856)
neutral = ((1 - share) * LAMP + share * DAY) @ daylight(o['kelvin'])
neutral /= neutral[1]

rng = np.random.default_rng(int(o['seed']))
s = o['iso'] / 100
sensor = sensor.clip(0) + rng.standard_normal((h, w, 3)) * np.sqrt(sensor.clip(0) * 2.2e-5 * s + 4e-7 * s * s)
BLACK, WHITE = 128, 4095
colour = np.array([[0, 1], [1, 2]])[np.arange(h)[:, None] % 2, np.arange(w)[None] % 2]
seen = np.take_along_axis(sensor, colour[..., None], 2)[..., 0]
mosaic = np.rint(BLACK + seen * (WHITE - BLACK)).clip(0, WHITE).astype(np.uint16)
a, b = mosaic[:, 0::2], mosaic[:, 1::2]
pixels = np.stack([a >> 4, (a & 15) << 4 | b >> 8, b & 255], -1).astype(np.uint8).tobytes()

# What the camera makes of it for its screen.
look = (np.minimum(sensor.clip(0, 1) / neutral, 1) @ np.linalg.inv(DAY @ SRGB * (1 / (DAY @ SRGB).sum(1))[:, None]).T)
look = look.clip(0, None)[::2, ::2]
look = 1 - np.exp(-1.9 * look)
look = np.where(look <= .0031308, look * 12.92, 1.055 * np.maximum(look, 1e-9) ** (1 / 2.4) - .055).clip(0, 1)
preview = subprocess.run(['convert-im6.q16hdri', '-size', f'{look.shape[1]}x{look.shape[0]}', '-depth', '8', 'rgb:-', '-quality', '85',
                          'jpg:-'], input=(look * 255 + .5).astype(np.uint8).tobytes(), capture_output=True, check=True).stdout

def directory(entries, at):
    head, tail, behind = struct.pack('<H', len(entries)), b'', at + 2 + 12 * len(entries) + 4
    for tag, kind, values in sorted(entries):
        if kind == 2:
            data, count = values.encode() + b'\0', len(values) + 1
        elif kind in (5, 10):
            data, count = b''.join(struct.pack('<ii', round(v * 1000000), 1000000) for v in values), len(values)
        else:
            data, count = b''.join(struct.pack({1: '<B', 3: '<H', 4: '<I'}[kind], v) for v in values), len(values)
        if len(data) > 4:
            head += struct.pack('<HHII', tag, kind, count, behind + len(tail))
            tail += data + b'\0' * (len(data) % 2)
        else:
            head += struct.pack('<HHI', tag, kind, count) + data.ljust(4, b'\0')
    return head + b'\0' * 4 + tail

def file(first_at, raw_at, exif_at, preview_at, pixels_at):
    first = directory([(254, 4, [1]), (256, 4, [look.shape[1]]), (257, 4, [look.shape[0]]), (258, 3, [8, 8, 8]), (259, 3, [7]),
                       (262, 3, [6]), (271, 2, 'Tin Heron'), (272, 2, 'Field Camera One'), (273, 4, [preview_at]), (274, 3, [1]),
                       (277, 3, [3]), (278, 4, [look.shape[0]]), (279, 4, [len(preview)]), (315, 2, 'Tin Heron Company'),
                       (330, 4, [raw_at]), (33432, 2, 'CC0 demo picture'), (34665, 4, [exif_at]), (50706, 1, [1, 4, 0, 0]),
                       (50708, 2, 'Tin Heron Field Camera One'), (50721, 10, LAMP.ravel()), (50722, 10, DAY.ravel()),
                       (50728, 5, neutral), (50778, 3, [17]), (50779, 3, [21])], first_at)
    raw = directory([(254, 4, [0]), (256, 4, [w]), (257, 4, [h]), (258, 3, [12]), (259, 3, [1]), (262, 3, [32803]),
                     (273, 4, [pixels_at]), (277, 3, [1]), (278, 4, [h]), (279, 4, [len(pixels)]), (33421, 3, [2, 2]),
                     (33422, 1, [0, 1, 1, 2]), (50714, 4, [BLACK]), (50717, 4, [WHITE])], raw_at)
    exif = directory([(33434, 5, [1 / 125]), (33437, 5, [2.8]), (34855, 3, [int(o['iso'])]), (37386, 5, [35.]),
                      (36867, 2, '2025:11:01 18:12:20')], exif_at)
    return first, raw, exif

first, raw, exif = file(8, 0, 0, 0, 0)
raw_at = 8 + len(first)
exif_at = raw_at + len(raw)
preview_at = exif_at + len(exif)
pixels_at = preview_at + len(preview) + len(preview) % 2
parts = file(8, raw_at, exif_at, preview_at, pixels_at)
with open(dst, 'wb') as out:
    out.write(b'II' + struct.pack('<HI', 42, 8) + b''.join(parts) + preview + b'\0' * (len(preview) % 2) + pixels)
print(dst, [round(float((sensor[..., c] >= 1).mean()) * 100, 2) for c in range(3)], '% beyond what the sensor takes')

"""Six pictures, and the least tint over them found by trying every opacity, with sums of its own."""

from __future__ import annotations

from io import BytesIO

import numpy as np
from PIL import Image

from yemba.demo.drawings import dubrov, nettle, render, saltmarsh

PICTURES = {
    "estuary": saltmarsh.books_on_the_estuary,
    "marbled": saltmarsh.marbled_paper,
    "workshop": saltmarsh.workshop_window,
    "packets": nettle.packets,
    "poles": nettle.poles,
    "hall": dubrov.hall,
}
WIDTHS = (320, 768, 1280)
HEIGHT = 400
CELL = 9


def picture(name: str) -> bytes:
    """The demo's drawing as the JPEG that its site stores."""
    return render(PICTURES[name]())


def shown(data: bytes, width: int, focal: tuple[int, int]) -> np.ndarray:
    """What `object-fit: cover` shows of a picture in a box (CSS Images 3, sections 5.5 and 6.2): cells of about an
    x-height, each the mean of its pixels."""
    with Image.open(BytesIO(data)) as opened:
        scale = max(width / opened.width, HEIGHT / opened.height)
        whole = opened.convert("RGB").resize((round(opened.width * scale), round(opened.height * scale)), Image.BOX)
    left = round((whole.width - width) * focal[0] / 100)
    top = round((whole.height - HEIGHT) * focal[1] / 100)
    return cells(whole.crop((left, top, left + width, top + HEIGHT)))


def cells(image: Image.Image) -> np.ndarray:
    size = round(image.width / CELL), round(image.height / CELL)
    return np.asarray(image.convert("RGB").resize(size, Image.BOX), dtype=float).reshape(-1, 3)


def luminance(rgb: np.ndarray) -> np.ndarray:
    share = np.asarray(rgb, dtype=float) / 255
    linear = np.where(share <= 0.04045, share / 12.92, ((share + 0.055) / 1.055) ** 2.4)
    return linear @ np.array([0.2126, 0.7152, 0.0722])


def unread(laid: np.ndarray, ink: tuple[int, int, int], asked: float, *, dark_ink: bool) -> int:
    """On how many cells an ink does not read, on the side on which it stands on the tint."""
    under, own = luminance(laid) + 0.05, float(luminance(np.array([ink]))[0]) + 0.05
    return int(np.count_nonzero((under / own if dark_ink else own / under) < asked))


def by_trying(seen: np.ndarray, tint: tuple[int, int, int], ink: tuple[int, int, int], asked: float) -> float:
    """The opacity, of all hundredths, from which on every one passes."""
    dark_ink = bool(luminance(np.array([tint]))[0] > luminance(np.array([ink]))[0])
    least = 1.0
    for hundredth in range(100, -1, -1):
        laid = np.round(seen * (1 - hundredth / 100) + np.array(tint) * hundredth / 100)
        if unread(laid, ink, asked, dark_ink=dark_ink) > 4:
            break
        least = hundredth / 100
    return least

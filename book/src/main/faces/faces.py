#!/usr/bin/env python3
"""Makes the faces that stand in for letters the program's own face lacks.

Needs python3-fonttools and the Debian packages fonts-dejavu-core, fonts-wqy-microhei, fonts-unifont. Writes into the folder given:

  faces.py book/src/main/resources/boldsatchel/book

Every letter stands in one face once, and a glyph belongs to one letter, so that a PDF's text reads back as it was written.
Tables for joining and kerning are left out: the program joins Arabic itself, and PDF writing would swap letters by them.
"""

import sys
import unicodedata
from pathlib import Path

from fontTools import subset
from fontTools.fontBuilder import FontBuilder
from fontTools.pens.cu2quPen import Cu2QuPen
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import TTCollection, TTFont

FONTS = Path("/usr/share/fonts")
TO = Path(sys.argv[1])
PRIVATE = range(0xE000, 0xF900)
PICTURES = (range(0x1D400, 0x1D800), range(0x1F000, 0x1FC00))


def letters(font):
    """One letter a glyph: where several share one, that which is not a compatibility form."""
    by_glyph = {}
    for c, glyph in font.getBestCmap().items():
        if c >= 32 and c not in PRIVATE:
            by_glyph.setdefault(glyph, []).append(c)
    return {min(cs, key=lambda c: (unicodedata.normalize("NFKC", chr(c)) != chr(c), c)) for cs in by_glyph.values()}


def thinned(font, keep, name):
    options = subset.Options(
        layout_features=[], hinting=False, name_IDs=["*"], name_languages=["*"], notdef_outline=True, glyph_names=False)
    options.drop_tables += ["GSUB", "GPOS", "GDEF", "kern", "FFTM"]
    subsetter = subset.Subsetter(options)
    subsetter.populate(unicodes=keep)
    subsetter.subset(font)
    font.save(TO / name)
    return keep


def rest(have):
    """What nobody else has, of both halves of Unifont, its straight outlines as TrueType."""
    order, cmap, glyphs, metrics = [], {}, {}, {}

    def take(name, drawn, width):
        pen = TTGlyphPen(None)
        drawn.draw(Cu2QuPen(pen, 1, reverse_direction=True))
        glyphs[name] = pen.glyph()
        metrics[name] = (width, getattr(glyphs[name], "xMin", 0))
        order.append(name)

    for half in ("unifont", "unifont_upper"):
        font = TTFont(FONTS / f"opentype/unifont/{half}.otf")
        drawn = font.getGlyphSet()
        if not order:
            take(".notdef", drawn[".notdef"], font["hmtx"][".notdef"][0])
            em, ascent, descent = font["head"].unitsPerEm, font["hhea"].ascent, font["hhea"].descent
        for c, glyph in sorted(font.getBestCmap().items()):
            wanted = 32 <= c <= 0xFFFF and c not in PRIVATE or any(c in r for r in PICTURES)
            if wanted and c not in have and c not in cmap:
                cmap[c] = f"u{c:04X}"
                take(cmap[c], drawn[glyph], font["hmtx"][glyph][0])
    made = FontBuilder(em, isTTF=True)
    made.setupGlyphOrder(order)
    made.setupCharacterMap(cmap)
    made.setupGlyf(glyphs)
    made.setupHorizontalMetrics(metrics)
    made.setupHorizontalHeader(ascent=ascent, descent=descent)
    made.setupNameTable({
        "familyName": "Unifont Rest",
        "styleName": "Regular",
        "licenseDescription": "SIL Open Font License version 1.1",
        "licenseInfoURL": "https://scripts.sil.org/OFL",
    })
    made.setupOS2(sTypoAscender=ascent, usWinAscent=ascent, usWinDescent=-descent)
    made.setupPost(keepGlyphNames=False)
    made.save(TO / "UnifontRest.ttf")


regular, bold = (TTFont(FONTS / f"truetype/dejavu/DejaVuSans{style}.ttf") for style in ("", "-Bold"))
east = TTCollection(FONTS / "truetype/wqy/wqy-microhei.ttc").fonts[0]
have = thinned(regular, letters(regular), "DejaVuSans.ttf")
thinned(bold, letters(bold), "DejaVuSans-Bold.ttf")
have = have | thinned(east, {c for c in letters(east) if c >= 0x2000}, "WenQuanYiMicroHei.ttf")
rest(have)

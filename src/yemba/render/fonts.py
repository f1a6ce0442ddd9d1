"""The font files of a site: which it needs, what of them goes out, and the styles that call for them."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from hashlib import sha256
from typing import NamedTuple
from weakref import WeakKeyDictionary

from yemba.core.calendar import spoken
from yemba.core.language import own_name
from yemba.core.site.catalogue import Family, FontFile
from yemba.core.site.languages import further
from yemba.core.site.one_offs import faces_of_one_offs, weights_of_one_offs
from yemba.core.site.resolve import Look
from yemba.core.type.facts import FULL, REGULAR
from yemba.core.type.fallback import BOLD_FROM, LOCALS, fallback
from yemba.core.type.levels import LEVELS
from yemba.core.type.subset import VERSION, Span, cut_apart
from yemba.core.type.subsets import RANGES, subset_of

_ALWAYS = "".join(map(chr, range(0x20, 0x7F))) + "\xa0©–—‘’“”…€−+"
"""What Yemba itself says on a page, and what visitors type into forms."""
BOLD = 700
_GENERIC = {"serif": "serif", "sans": "sans-serif", "hand": "cursive"}


class Published(NamedTuple):
    """A font file as it goes out with a site: cut to `letters`. `key` names bytes that always come out the same.

    One that `stands_for` another family has the letters that this lacks, and goes by its name.
    """

    family: Family
    file: FontFile
    letters: frozenset[str]
    features: tuple[str, ...]
    axes: tuple[Span, ...]
    stands_for: Family | None = None

    @property
    def weights(self) -> tuple[int, int]:
        """Those of the file that goes out: as far as it is cut to them, and no further than the face has them."""
        cut = next((int(low), int(high)) for axis, low, high in self.axes if axis == "wght")
        file = self.stands_for.file("x") if self.stands_for else self.file
        lightest, heaviest = file.weights
        low = min(cut[0], heaviest)
        high = max(cut[1], lightest)
        return max(low, lightest), min(high, heaviest)

    @property
    def key(self) -> str:
        made_of = (VERSION, _digest(self.family, self.file), sorted(self.letters), self.features, self.axes)
        return sha256(repr(made_of).encode()).hexdigest()[:40]

    @property
    def name(self) -> str:
        """Under assets/; safe to keep for ever."""
        return _name(self.family, self.file, self.key)

    def make(self) -> bytes:
        if self.family.whole:
            return self.family.read(self.file.name)
        letters = {ord(letter) for letter in self.letters}
        return cut_apart(self.family.read(self.file.name), letters, self.features, self.axes)


def used_families(look: Look) -> list[Family]:
    """Every family that the site shows, each once: the headings' first."""
    faces = (*(look.face(slug) for slug in LEVELS), *faces_of_one_offs(look))
    return list({family.slug: family for family in faces}.values())


_ROW, _ALPHABETS_END = 32, 0x0590


def letters_of_site(look: Look) -> frozenset[str]:
    """Every character that may show: what is written, the alphabet of its language, and what Yemba says.

    A letter of the Latin, Greek or Cyrillic alphabet brings its row of 32 code points, so that one more letter of the
    same kind in a text changes no font file, no stylesheet and no page.
    """
    written = _written(look)
    rows = {ord(letter) // _ROW for letter in written if 0xC0 <= ord(letter) < _ALPHABETS_END}
    written |= {chr(row * _ROW + place) for row in rows for place in range(_ROW)}
    return frozenset(letter for letter in written if letter.isprintable())


def _written(look: Look) -> set[str]:
    """Every character that is written or said in any of its languages, in both cases."""
    written = set(look.document.text())
    for language in (look.language, *map(look.catalogue.language, further(look.document))):
        letters = spoken.letters(look.value("site.currency"), language.tag).union(*language.phrases.values())
        written |= letters | {*language.alphabet, *own_name(language.tag)}
    return written | {*"".join(written).upper(), *_ALWAYS}


_PUBLISHED: WeakKeyDictionary[Look, list[Published]] = WeakKeyDictionary()


def published(look: Look) -> list[Published]:
    """The files that go out with a site: the same for each of its languages."""
    look = look.whole
    if look not in _PUBLISHED:
        _PUBLISHED[look] = _published(look)
    return _PUBLISHED[look]


def _published(look: Look) -> list[Published]:
    letters, features = letters_of_site(look), _features(look)
    of_subset: dict[str, frozenset[str]] = {"": letters}
    for subset in {subset_of(letter) for letter in letters} - {""}:
        of_subset[subset] = frozenset(letter for letter in letters if subset_of(letter) == subset)
    own = [
        Published(family, file, of_subset[file.subset], features, axes)
        for family, axes in _axes(look)
        for file in family.files
        if file.subset in of_subset
    ]
    written = "".join(letter for letter in _written(look) if letter.isprintable())
    standing_in = [
        Published(other, file, letters, features, axes, family)
        for family, axes in _axes(look)
        for other, letters in _stand_ins(look, family, family.lacks(written))
        for file in other.files
        if file.style == "normal" and letters & of_subset.get(file.subset, frozenset())
    ]
    return [*standing_in, *own]  # of two that have a letter the later is taken


def _stand_ins(look: Look, family: Family, lacking: str) -> Iterator[tuple[Family, frozenset[str]]]:
    """Families that have letters which this one lacks: the site's own first, then those of its kind."""
    others = sorted(look.families.values(), key=lambda other: other.kind != family.kind)
    for other in (*used_families(look), *others):
        if not lacking:
            return
        still = other.lacks(lacking)
        if still != lacking:
            yield other, frozenset(lacking) - frozenset(still)
        lacking = still


def _features(look: Look) -> tuple[str, ...]:
    """OpenType tags of the features that texts ask for by a setting."""
    wanted_by_tag = {
        "dlig": "discretionary" in look.value("type.ligatures"),
        "smcp": any(text.case == "small-caps" for text in look.texts.values()),
    }
    return ("lnum", "onum", "pnum", "tnum", *(tag for tag, wanted in wanted_by_tag.items() if wanted))


def _axes(look: Look) -> list[tuple[Family, tuple[Span, ...]]]:
    """How far each family that is used moves: from regular to bold, which words may ask for, and as far as a level or a
    one-off goes."""
    apart = weights_of_one_offs(look)
    stretches = [FULL, *(text.stretch for text in look.texts.values())]
    wide: tuple[Span, ...] = (("wdth", min(stretches), max(stretches)),) if len(set(stretches)) > 1 else ()
    files = []
    for family in used_families(look):
        set_in = [text.weight for text in look.texts.values() if text.face == family.slug]
        weights = [REGULAR, BOLD, *apart, *set_in]
        files.append((family, (("wght", min(weights), max(weights)), *wide)))
    return files


def preloads(look: Look, files: list[Published]) -> list[str]:
    """Names of the files that the first lines of any page are set in: the upright Latin of text and headings."""
    first = set()
    for slug in ("body", "h1"):
        family = look.face(slug)
        first.add((family.slug, family.file("x", look.texts[slug].weight)))
    return [one.name for one in files if (one.family.slug, one.file) in first]


def faces(look: Look, files: list[Published]) -> str:
    """@font-face rules of what goes out, and of local fonts dressed up to take its room."""
    rules = [rule for one in files for rule in _faces_of(one)]
    return "\n".join([*rules, *(_dressed(family) for family in used_families(look))])


def _faces_of(one: Published) -> list[str]:
    if one.stands_for:
        return _standing_in(one.stands_for, one.file, one.weights, one.name)
    return [_face(one.family, one.file._replace(weights=one.weights), one.name)]


def _standing_in(family: Family, file: FontFile, weights: tuple[int, int], name: str) -> list[str]:
    """A file under another family's name: browsers join only faces of one weight and style (CSS Fonts 4, 5.2)."""
    styles = sorted({own.style for own in family.files})
    return [_face(family, file._replace(style=style, weights=weights), name) for style in styles]


def all_faces(look: Look) -> str:
    """The same for every family that could be chosen, whole: in a draft a change of face shows at once."""
    standing_in = (
        rule
        for family in used_families(look)
        for other, letters in _stand_ins(look, family, family.lacks(look.language.alphabet))
        for file in other.files
        if any(other.file(letter) == file for letter in letters)
        for rule in _standing_in(family, file, family.file("x").weights, whole_name(other, file))
    )
    return "\n".join([*standing_in, *(_whole(family) for family in look.families.values())])


def read_ahead(families: Iterable[Family]) -> None:
    """Their rules in a draft, so that the first who looks at one does not wait until every family is read."""
    for family in families:
        _whole(family)


def own_faces(look: Look) -> str:
    """@font-face rules of the owner's own fonts for the studio, each file under its digest."""
    own = (family for family in look.families.values() if family.own)
    return "\n".join(_face(family, file, f"fonts/{file.name}/") for family in own for file in family.files)


def whole_files(look: Look) -> dict[str, tuple[Family, FontFile]]:
    """What a draft has under assets/, by name."""
    return {whole_name(family, file): (family, file) for family in look.families.values() for file in family.files}


def whole_name(family: Family, file: FontFile) -> str:
    return _name(family, file, _digest(family, file))


def stack(family: Family) -> str:
    """The family, what takes its room until it is there, and what is left where neither is."""
    dressed = ", ".join(f'"{called(family)} {local.names[0]}"' for local in LOCALS[family.kind])
    return f'"{called(family)}", {dressed}, {_GENERIC[family.kind]}'


def called(family: Family) -> str:
    """What styles call it. One of the owner's own may have the name of a shipped one."""
    return family.name if not family.own else f"{family.name} {family.slug}"


def _name(family: Family, file: FontFile, digest: str) -> str:
    return f"{family.slug}-{file.subset or 'all'}-{file.style}.{digest[:10]}.woff2"


_DIGESTS: dict[tuple[str, str], str] = {}
_WHOLE: dict[tuple[str, tuple[FontFile, ...]], str] = {}
_DRESSED: dict[tuple[str, tuple[FontFile, ...]], str] = {}


def _digest(family: Family, file: FontFile) -> str:
    """Of the file as it is kept, read once: shipped files do not change while Yemba runs, stored ones never do."""
    known = (family.slug, file.name)
    if known not in _DIGESTS:
        _DIGESTS[known] = sha256(family.read(file.name)).hexdigest()
    return _DIGESTS[known]


def _whole(family: Family) -> str:
    known = (family.slug, family.files)
    if known not in _WHOLE:
        rules = [_face(family, file, whole_name(family, file)) for file in family.files]
        _WHOLE[known] = "\n".join([*rules, _dressed(family)])
    return _WHOLE[known]


def _face(family: Family, file: FontFile, name: str) -> str:
    descriptors = {
        "font-family": f'"{called(family)}"',
        "font-style": file.style,
        "font-weight": _span(file.weights),
        "font-stretch": _span(family.widths, "%"),
        "font-display": "swap",
        "src": f'url("{name}") format("woff2")',
        "unicode-range": RANGES.get(file.subset, ""),
    }
    return _rule(descriptors)


def _dressed(family: Family) -> str:
    """Local fonts that take up the room of a family, its regular and its bold."""
    known = (family.slug, family.files)
    if known not in _DRESSED:
        _DRESSED[known] = "\n".join(_local_rules(family))
    return _DRESSED[known]


def _local_rules(family: Family) -> Iterator[str]:
    facts = family.facts
    for local in LOCALS[family.kind]:
        for bold in (False, True):
            room = fallback(facts, family.average(BOLD if bold else REGULAR), local.bold if bold else local.width)
            yield _rule(
                {
                    "font-family": f'"{called(family)} {local.names[0]}"',
                    "font-weight": f"{BOLD_FROM} 1000" if bold else f"1 {BOLD_FROM - 1}",
                    "src": ", ".join(f'local("{name}{" Bold" if bold else ""}")' for name in local.names),
                    "size-adjust": f"{room.size_adjust:.4f}%",
                    "ascent-override": f"{room.ascent_override:.4f}%",
                    "descent-override": f"{room.descent_override:.4f}%",
                    "line-gap-override": f"{room.line_gap_override:.4f}%",
                }
            )


def _span(ends: tuple[int, int], unit: str = "") -> str:
    low, high = (f"{end}{unit}" for end in ends)
    return low if low == high else f"{low} {high}"


def _rule(descriptors: dict[str, str]) -> str:
    return f"@font-face{{{''.join(f'{name}:{value};' for name, value in descriptors.items() if value)}}}"

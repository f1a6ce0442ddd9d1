"""The letters that languages are written in beyond a to z: from memory, after the exemplar characters of the CLDR."""

from __future__ import annotations

import unicodedata

_LOWER = {
    "ca": "àçéèíïóòúü·",
    "cs": "áčďéěíňóřšťúůýž",
    "cy": "âêîôûŵŷáéíóúẃýàèìòùẁỳäëïöüẅÿ",
    "da": "æøåé",
    "de": "äöüß",
    "el": "αβγδεζηθικλμνξοπρσςτυφχψωάέήίόύώϊϋΐΰ",
    "en": "éèêëàâäçïîôöüñ",
    "es": "áéíñóúü¿¡",
    "et": "äõöüšž",
    "fi": "åäöšž",
    "fr": "àâæçéèêëîïôœùûüÿ«»",
    "ga": "áéíóú",
    "he": "אבגדהוזחטיכךלמםנןסעפףצץקרשת",
    "hr": "čćđšž",
    "hu": "áéíóöőúüű",
    "is": "áðéíóúýþæö",
    "it": "àèéìíîòóùú",
    "lt": "ąčęėįšųūž",
    "lv": "āčēģīķļņšūž",
    "nb": "æøåàéòó",
    "nl": "áäéëíïóöúüèĳ",
    "nn": "æøåàéò",
    "pl": "ąćęłńóśźż",
    "pt": "ãõáéíóúâêôçàü",
    "ro": "ăâîșț",
    "ru": "абвгдежзийклмнопрстуфхцчшщъыьэюяё",
    "bg": "абвгдежзийклмнопрстуфхцчшщъьюя",
    "sr": "абвгдђежзијклљмнњопрстћуфхцчџш",
    "uk": "абвгґдеєжзиіїйклмнопрстуфхцчшщьюя",
    "sk": "áäčďéíĺľňóôŕšťúýž",
    "sl": "čšž",
    "sq": "çë",
    "sv": "åäöé",
    "tr": "çğıöşüâîûİ",
    "vi": "àảãáạăằẳẵắặâầẩẫấậđèẻẽéẹêềểễếệìỉĩíịòỏõóọôồổỗốộơờởỡớợùủũúụưừửữứựỳỷỹýỵ",
    "ar": "ابتثجحخدذرزسشصضطظعغفقكلمنهويءآأؤإئىة،؛؟",
    "fa": "ابپتثجچحخدذرزژسشصضطظعغفقکگلمنوهیءآأؤئ،؛؟",
}


_FROM_RIGHT = ("ar", "fa", "he", "ur", "yi")


def from_right(language: str) -> bool:
    """Whether a language (BCP 47) is written from right to left."""
    return language.split("-", maxsplit=1)[0].lower() in _FROM_RIGHT


def reads_from_right(text: str, otherwise: bool = False) -> bool:
    """Whether the first letter with a direction of its own reads from the right (UAX 9, rule P2)."""
    kinds = (unicodedata.bidirectional(letter) for letter in text)
    first = next((kind for kind in kinds if kind in ("L", "R", "AL")), "")
    return first in ("R", "AL") if first else otherwise


def letters_of(language: str) -> str:
    """The letters of a language beyond a to z, small and large; "" for one not listed. `language` is a BCP 47 tag."""
    lower = _LOWER.get(language.split("-", maxsplit=1)[0].lower(), "")
    return "".join(dict.fromkeys(lower + "".join(letter.upper() for letter in lower if len(letter.upper()) == 1)))

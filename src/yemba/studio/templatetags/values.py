"""Small sums that markup needs."""

from django import template

register = template.Library()


@register.simple_tag
def joined(*parts: str) -> str:
    """The parts with hyphens between them, for ids."""
    return "-".join(str(part) for part in parts)


@register.filter
def key(values: dict[str, object], name: str) -> object:
    """A value by a key that markup cannot write, one with a dot in it."""
    return values.get(name, "")


@register.filter
def share(percent: float, factor: float) -> str:
    """Per cent of a drawing's width, in its units."""
    return f"{percent * float(factor):.1f}"

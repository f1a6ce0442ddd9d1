"""Numbers in templates are written alike in every language: many of them are coordinates, sizes and values of fields.

Numbers within sentences have the mark of their language (``core.message``).
"""

DECIMAL_SEPARATOR = "."
THOUSAND_SEPARATOR = ""
NUMBER_GROUPING = 0

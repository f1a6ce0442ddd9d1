"""Type that is measured: font files, sizes, fallbacks, widths."""

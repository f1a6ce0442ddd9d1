"""Brand sheets: palette, type, logo and shapes of one brand, kept apart from any site."""

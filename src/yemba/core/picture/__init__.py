"""Pictures: taking files in, sizes, icons."""

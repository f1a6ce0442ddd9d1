"""SQLite that can still be read where nothing can be written."""

"""When something happens, as its owner types it: words of a language, read into occasions."""

"""The demo scenario: Saltmarsh Bindery, invented, with pictures drawn by this package."""

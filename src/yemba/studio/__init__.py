"""The workbench and its chapters, the list of sites, the way in."""

"""What still needs a look before a site goes out. One check, one file."""

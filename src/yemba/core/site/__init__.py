"""What a site is: the document, its values and where they come from."""

"""Messages that visitors send through a contact form."""

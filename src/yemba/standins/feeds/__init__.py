"""A stand-in for calendars that others keep elsewhere: one feed of concerts, which may be changed on a page of its
own. It answers at its own host on the demo alone, and asks nobody anything."""

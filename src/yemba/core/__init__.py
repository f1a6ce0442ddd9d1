"""The rules of the job: pure Python, no framework, no I/O. Values in, values out."""

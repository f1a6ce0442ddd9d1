"""Document to pages, styles and files. One renderer for preview, proof and live."""

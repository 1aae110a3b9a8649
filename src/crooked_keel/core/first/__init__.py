"""The page of first figures of a document: its lines, and the sketch that they are drawn on."""

from .page import FirstOut, first_page

__all__ = ["FirstOut", "first_page"]

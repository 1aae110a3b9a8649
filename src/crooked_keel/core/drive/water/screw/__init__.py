"""Unit against marine propeller, by the open-water series and by what the boat did before."""

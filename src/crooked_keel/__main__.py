"""python -m crooked_keel"""

from .cli import main

if __name__ == "__main__":
    main()

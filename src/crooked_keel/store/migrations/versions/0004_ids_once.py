"""Ids of revisions and records are given once: what a deleted project had comes to nobody else."""

from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None

_MADE = {
    "revisions": (
        "id INTEGER NOT NULL PRIMARY KEY AUTOINCREMENT, project_id TEXT NOT NULL, number INTEGER NOT NULL, "
        "parent INTEGER, at TEXT NOT NULL, summary TEXT NOT NULL, burst TEXT, patch TEXT NOT NULL, "
        "document BLOB NOT NULL, UNIQUE (project_id, number), "
        "FOREIGN KEY(project_id) REFERENCES projects (id) ON DELETE CASCADE, "
        "FOREIGN KEY(parent) REFERENCES revisions (id)",
        "id, project_id, number, parent, at, summary, burst, patch, document",
    ),
    "records": (
        "id INTEGER NOT NULL PRIMARY KEY AUTOINCREMENT, project_id TEXT NOT NULL, kind TEXT NOT NULL, "
        "at TEXT NOT NULL, revision INTEGER NOT NULL, data TEXT NOT NULL, "
        "FOREIGN KEY(project_id) REFERENCES projects (id) ON DELETE CASCADE",
        "id, project_id, kind, at, revision, data",
    ),
}


def upgrade() -> None:
    for table, (made_of, columns) in _MADE.items():
        op.execute(f"CREATE TABLE {table}_again ({made_of}) STRICT")
        op.execute(f"INSERT INTO {table}_again ({columns}) SELECT {columns} FROM {table}")
        op.execute(f"DROP TABLE {table}")
        op.execute(f"ALTER TABLE {table}_again RENAME TO {table}")
        op.execute(f"CREATE INDEX ix_{table}_project_id ON {table} (project_id)")

"""Ids of revisions and records are given once: what a deleted project had comes to nobody else. Units of the library
have a history."""

import sqlalchemy as sa
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
    op.add_column("library_units", sa.Column("number", sa.Integer(), nullable=False, server_default="1"))
    op.create_table(
        "unit_revisions",
        sa.Column("id", sa.Integer(), primary_key=True, nullable=False),
        sa.Column("unit", sa.Text(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("at", sa.Text(), nullable=False),
        sa.Column("summary", sa.Text(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.Column("data", sa.Text(), nullable=False),
        sa.ForeignKeyConstraint(["unit"], ["library_units.id"], ondelete="CASCADE"),
        sa.UniqueConstraint("unit", "number"),
        sqlite_strict=True,
        sqlite_autoincrement=True,
    )
    op.execute(
        "INSERT INTO unit_revisions (unit, number, at, summary, version, data) "
        "SELECT id, 1, at, 'As it was', version, data FROM library_units"
    )

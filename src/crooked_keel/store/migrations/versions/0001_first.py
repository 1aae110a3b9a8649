"""Projects, revisions, verdict summaries."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "projects",
        sa.Column("id", sa.Text(), primary_key=True, nullable=False),
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("created_at", sa.Text(), nullable=False),
        sa.Column("head", sa.Integer()),
        sa.Column("tip", sa.Integer()),
        sqlite_strict=True,
    )
    op.create_table(
        "revisions",
        sa.Column("id", sa.Integer(), primary_key=True, nullable=False),
        sa.Column("project_id", sa.Text(), sa.ForeignKey("projects.id", ondelete="CASCADE"), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("parent", sa.Integer(), sa.ForeignKey("revisions.id")),
        sa.Column("at", sa.Text(), nullable=False),
        sa.Column("summary", sa.Text(), nullable=False),
        sa.Column("burst", sa.Text()),
        sa.Column("patch", sa.Text(), nullable=False),
        sa.Column("document", sa.LargeBinary(), nullable=False),
        sa.UniqueConstraint("project_id", "number"),
        sqlite_strict=True,
    )
    op.create_index("ix_revisions_project_id", "revisions", ["project_id"])
    op.create_table(
        "verdicts",
        sa.Column(
            "project_id", sa.Text(), sa.ForeignKey("projects.id", ondelete="CASCADE"), primary_key=True, nullable=False
        ),
        sa.Column("summary", sa.Text(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sqlite_strict=True,
    )

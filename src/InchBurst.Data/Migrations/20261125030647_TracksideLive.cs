using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class TracksideLive : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "CurrentRound",
                table: "Sessions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<DateTime>(
                name: "LineStartedAt",
                table: "Sessions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "LineTimingJson",
                table: "Sessions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Notes",
                table: "Sessions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Conflict",
                table: "Runs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Picked",
                table: "Runs",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Rep",
                table: "Runs",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "Side",
                table: "Runs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "AllowedBy",
                table: "Attendance",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "HeldReason",
                table: "Attendance",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Minutes",
                table: "Attendance",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Note",
                table: "Attendance",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "OtherWork",
                table: "Attendance",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "OtherWorkLineId",
                table: "Attendance",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Rating",
                table: "Attendance",
                type: "REAL",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "RunMeasures",
                columns: table => new
                {
                    RunId = table.Column<long>(type: "INTEGER", nullable: false),
                    Kind = table.Column<int>(type: "INTEGER", nullable: false),
                    Value = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_RunMeasures", x => new { x.RunId, x.Kind });
                    table.ForeignKey(
                        name: "FK_RunMeasures_Runs_RunId",
                        column: x => x.RunId,
                        principalTable: "Runs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "RunReadings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    RunId = table.Column<long>(type: "INTEGER", nullable: false),
                    ClientId = table.Column<Guid>(type: "TEXT", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    Method = table.Column<int>(type: "INTEGER", nullable: false),
                    Trigger = table.Column<int>(type: "INTEGER", nullable: false),
                    FinishedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    MarksJson = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_RunReadings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_RunReadings_Runs_RunId",
                        column: x => x.RunId,
                        principalTable: "Runs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "RunSeen",
                columns: table => new
                {
                    RunId = table.Column<long>(type: "INTEGER", nullable: false),
                    Code = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_RunSeen", x => new { x.RunId, x.Code });
                    table.ForeignKey(
                        name: "FK_RunSeen_Runs_RunId",
                        column: x => x.RunId,
                        principalTable: "Runs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            // Runs logged before reps had numbers get theirs in the order they were stored; those that did not count (outcome 3) keep 0.
            migrationBuilder.Sql(
                "UPDATE Runs SET Rep = n.Number FROM (SELECT Id, ROW_NUMBER() OVER (PARTITION BY SessionId, AthleteId, LineId ORDER BY Id) AS Number FROM Runs WHERE DeletedAt IS NULL AND Outcome <> 3) AS n WHERE n.Id = Runs.Id");

            migrationBuilder.CreateIndex(
                name: "IX_Runs_SessionId_AthleteId_LineId_Rep",
                table: "Runs",
                columns: new[] { "SessionId", "AthleteId", "LineId", "Rep" },
                unique: true,
                filter: "DeletedAt IS NULL AND Rep > 0");

            migrationBuilder.CreateIndex(
                name: "IX_RunReadings_ClientId",
                table: "RunReadings",
                column: "ClientId",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_RunReadings_RunId",
                table: "RunReadings",
                column: "RunId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "RunMeasures");

            migrationBuilder.DropTable(
                name: "RunReadings");

            migrationBuilder.DropTable(
                name: "RunSeen");

            migrationBuilder.DropIndex(
                name: "IX_Runs_SessionId_AthleteId_LineId_Rep",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "CurrentRound",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "LineStartedAt",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "LineTimingJson",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Notes",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Conflict",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "Picked",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "Rep",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "Side",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "AllowedBy",
                table: "Attendance");

            migrationBuilder.DropColumn(
                name: "HeldReason",
                table: "Attendance");

            migrationBuilder.DropColumn(
                name: "Minutes",
                table: "Attendance");

            migrationBuilder.DropColumn(
                name: "Note",
                table: "Attendance");

            migrationBuilder.DropColumn(
                name: "OtherWork",
                table: "Attendance");

            migrationBuilder.DropColumn(
                name: "OtherWorkLineId",
                table: "Attendance");

            migrationBuilder.DropColumn(
                name: "Rating",
                table: "Attendance");
        }
    }
}

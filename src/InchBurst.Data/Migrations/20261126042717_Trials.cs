using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class Trials : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "ChangeoverSeconds",
                table: "Sessions",
                type: "REAL",
                nullable: false,
                defaultValue: 3.0);

            migrationBuilder.AddColumn<string>(
                name: "KitJson",
                table: "Sessions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "StartIntervalSeconds",
                table: "Sessions",
                type: "REAL",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<bool>(
                name: "StartSaid",
                table: "Sessions",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Course",
                table: "Runs",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "EstimatedSpeed",
                table: "Runs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Load",
                table: "Runs",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "RunInMetres",
                table: "Runs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "StartSaid",
                table: "Runs",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "ZoneFrom",
                table: "Runs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ZoneTo",
                table: "Runs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.Sql("UPDATE Sessions SET StartSaid = 1 WHERE StartBehindGateMetres > 0;");

            migrationBuilder.CreateTable(
                name: "RunStretches",
                columns: table => new
                {
                    RunId = table.Column<long>(type: "INTEGER", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    FromMillimetres = table.Column<int>(type: "INTEGER", nullable: false),
                    ToMillimetres = table.Column<int>(type: "INTEGER", nullable: false),
                    AthleteId = table.Column<int>(type: "INTEGER", nullable: false),
                    Seconds = table.Column<double>(type: "REAL", nullable: false),
                    Effort = table.Column<double>(type: "REAL", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    FinishedAt = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_RunStretches", x => new { x.RunId, x.Key, x.FromMillimetres, x.ToMillimetres });
                    table.ForeignKey(
                        name: "FK_RunStretches_Runs_RunId",
                        column: x => x.RunId,
                        principalTable: "Runs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Runs_AthleteId_EstimatedSpeed_Day",
                table: "Runs",
                columns: new[] { "AthleteId", "EstimatedSpeed", "Day" },
                filter: "EstimatedSpeed IS NOT NULL AND DeletedAt IS NULL");

            migrationBuilder.CreateIndex(
                name: "IX_Runs_Course",
                table: "Runs",
                column: "Course",
                filter: "Course = ''");

            migrationBuilder.CreateIndex(
                name: "IX_RunStretches_AthleteId_Key_FromMillimetres_ToMillimetres_Day_FinishedAt_Seconds_Effort_RunId",
                table: "RunStretches",
                columns: new[] { "AthleteId", "Key", "FromMillimetres", "ToMillimetres", "Day", "FinishedAt", "Seconds", "Effort", "RunId" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "RunStretches");

            migrationBuilder.DropIndex(
                name: "IX_Runs_AthleteId_EstimatedSpeed_Day",
                table: "Runs");

            migrationBuilder.DropIndex(
                name: "IX_Runs_Course",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "ChangeoverSeconds",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "KitJson",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "StartIntervalSeconds",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "StartSaid",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Course",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "EstimatedSpeed",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "Load",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "RunInMetres",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "StartSaid",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "ZoneFrom",
                table: "Runs");

            migrationBuilder.DropColumn(
                name: "ZoneTo",
                table: "Runs");
        }
    }
}

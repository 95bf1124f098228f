using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class FilmReadings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "FilmReadings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    AthleteId = table.Column<int>(type: "INTEGER", nullable: false),
                    RunId = table.Column<long>(type: "INTEGER", nullable: true),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Marks = table.Column<string>(type: "TEXT", nullable: false),
                    Contact = table.Column<double>(type: "REAL", nullable: true),
                    ContactWithin = table.Column<double>(type: "REAL", nullable: true),
                    Flight = table.Column<double>(type: "REAL", nullable: true),
                    Frequency = table.Column<double>(type: "REAL", nullable: true),
                    FrequencyWithin = table.Column<double>(type: "REAL", nullable: true),
                    Length = table.Column<double>(type: "REAL", nullable: true),
                    Speed = table.Column<double>(type: "REAL", nullable: true),
                    SpeedWithin = table.Column<double>(type: "REAL", nullable: true),
                    Still = table.Column<string>(type: "TEXT", nullable: false),
                    StillFor = table.Column<int>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_FilmReadings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_FilmReadings_Athletes_AthleteId",
                        column: x => x.AthleteId,
                        principalTable: "Athletes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_FilmReadings_Runs_RunId",
                        column: x => x.RunId,
                        principalTable: "Runs",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateIndex(
                name: "IX_FilmReadings_AthleteId_Day",
                table: "FilmReadings",
                columns: new[] { "AthleteId", "Day" });

            migrationBuilder.CreateIndex(
                name: "IX_FilmReadings_RunId",
                table: "FilmReadings",
                column: "RunId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "FilmReadings");
        }
    }
}

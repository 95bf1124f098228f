using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class Season : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "FeedKey",
                table: "Squads",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Group",
                table: "Sessions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "IsPinned",
                table: "Sessions",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<TimeOnly>(
                name: "Start",
                table: "Sessions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "GroupByMinutes",
                table: "Athletes",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.CreateTable(
                name: "CalendarEntries",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SquadId = table.Column<int>(type: "INTEGER", nullable: false),
                    Kind = table.Column<int>(type: "INTEGER", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    LastDay = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Start = table.Column<TimeOnly>(type: "TEXT", nullable: true),
                    Importance = table.Column<int>(type: "INTEGER", nullable: false),
                    IsAway = table.Column<bool>(type: "INTEGER", nullable: false),
                    TravelMinutes = table.Column<int>(type: "INTEGER", nullable: true),
                    Where = table.Column<string>(type: "TEXT", nullable: false),
                    Uid = table.Column<string>(type: "TEXT", nullable: false),
                    Occurrence = table.Column<string>(type: "TEXT", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_CalendarEntries", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "OwnGroups",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SquadId = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_OwnGroups", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Places",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Lanes = table.Column<int>(type: "INTEGER", nullable: false),
                    StraightMetres = table.Column<double>(type: "REAL", nullable: false),
                    RunOutMetres = table.Column<double>(type: "REAL", nullable: false),
                    Surface = table.Column<int>(type: "INTEGER", nullable: false),
                    RetiredAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Places", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "SeasonPhases",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SquadId = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Aim = table.Column<string>(type: "TEXT", nullable: false),
                    From = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    To = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    MetresFirst = table.Column<double>(type: "REAL", nullable: false),
                    MetresLast = table.Column<double>(type: "REAL", nullable: false),
                    LoadFirst = table.Column<double>(type: "REAL", nullable: false),
                    LoadLast = table.Column<double>(type: "REAL", nullable: false),
                    StopFirst = table.Column<double>(type: "REAL", nullable: false),
                    StopLast = table.Column<double>(type: "REAL", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SeasonPhases", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "WeekSteps",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SquadId = table.Column<int>(type: "INTEGER", nullable: false),
                    What = table.Column<string>(type: "TEXT", nullable: false),
                    ChangesJson = table.Column<string>(type: "TEXT", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    UndoneAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WeekSteps", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "PlayedMinutes",
                columns: table => new
                {
                    EntryId = table.Column<int>(type: "INTEGER", nullable: false),
                    AthleteId = table.Column<int>(type: "INTEGER", nullable: false),
                    Minutes = table.Column<int>(type: "INTEGER", nullable: false),
                    CountsAsTopSpeed = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PlayedMinutes", x => new { x.EntryId, x.AthleteId });
                    table.ForeignKey(
                        name: "FK_PlayedMinutes_CalendarEntries_EntryId",
                        column: x => x.EntryId,
                        principalTable: "CalendarEntries",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "AthleteOwnGroup",
                columns: table => new
                {
                    AthletesId = table.Column<int>(type: "INTEGER", nullable: false),
                    OwnGroupId = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_AthleteOwnGroup", x => new { x.AthletesId, x.OwnGroupId });
                    table.ForeignKey(
                        name: "FK_AthleteOwnGroup_Athletes_AthletesId",
                        column: x => x.AthletesId,
                        principalTable: "Athletes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_AthleteOwnGroup_OwnGroups_OwnGroupId",
                        column: x => x.OwnGroupId,
                        principalTable: "OwnGroups",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Slots",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SquadId = table.Column<int>(type: "INTEGER", nullable: false),
                    PlaceId = table.Column<int>(type: "INTEGER", nullable: false),
                    Weekday = table.Column<int>(type: "INTEGER", nullable: false),
                    Start = table.Column<TimeOnly>(type: "TEXT", nullable: false),
                    Minutes = table.Column<int>(type: "INTEGER", nullable: false),
                    RetiredAt = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Slots", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Slots_Places_PlaceId",
                        column: x => x.PlaceId,
                        principalTable: "Places",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateIndex(
                name: "IX_AthleteOwnGroup_OwnGroupId",
                table: "AthleteOwnGroup",
                column: "OwnGroupId");

            migrationBuilder.CreateIndex(
                name: "IX_CalendarEntries_SquadId_Day",
                table: "CalendarEntries",
                columns: new[] { "SquadId", "Day" });

            migrationBuilder.CreateIndex(
                name: "IX_CalendarEntries_SquadId_Uid_Occurrence",
                table: "CalendarEntries",
                columns: new[] { "SquadId", "Uid", "Occurrence" },
                unique: true,
                filter: "Uid <> ''");

            migrationBuilder.CreateIndex(
                name: "IX_OwnGroups_SquadId_Name",
                table: "OwnGroups",
                columns: new[] { "SquadId", "Name" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_PlayedMinutes_AthleteId_CountsAsTopSpeed",
                table: "PlayedMinutes",
                columns: new[] { "AthleteId", "CountsAsTopSpeed" });

            migrationBuilder.CreateIndex(
                name: "IX_SeasonPhases_SquadId_From",
                table: "SeasonPhases",
                columns: new[] { "SquadId", "From" });

            migrationBuilder.CreateIndex(
                name: "IX_Slots_PlaceId",
                table: "Slots",
                column: "PlaceId");

            migrationBuilder.CreateIndex(
                name: "IX_WeekSteps_SquadId",
                table: "WeekSteps",
                column: "SquadId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "AthleteOwnGroup");

            migrationBuilder.DropTable(
                name: "PlayedMinutes");

            migrationBuilder.DropTable(
                name: "SeasonPhases");

            migrationBuilder.DropTable(
                name: "Slots");

            migrationBuilder.DropTable(
                name: "WeekSteps");

            migrationBuilder.DropTable(
                name: "OwnGroups");

            migrationBuilder.DropTable(
                name: "CalendarEntries");

            migrationBuilder.DropTable(
                name: "Places");

            migrationBuilder.DropColumn(
                name: "FeedKey",
                table: "Squads");

            migrationBuilder.DropColumn(
                name: "Group",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "IsPinned",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "Start",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "GroupByMinutes",
                table: "Athletes");
        }
    }
}

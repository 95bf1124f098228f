using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace InchBurst.Data.Migrations
{
    /// <inheritdoc />
    public partial class ReadingTakenBack : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateTime>(
                name: "DeletedAt",
                table: "RunReadings",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "DeletedAt",
                table: "RunReadings");
        }
    }
}

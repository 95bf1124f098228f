-- Grows a demo file to about 200,000 runs for bench/load.mjs: sqlite3 DEMO_FOLDER/club.db < bench/scale.sql (on a throwaway demo only).
PRAGMA journal_mode=WAL;
BEGIN;
CREATE TEMP TABLE k(n); WITH RECURSIVE c(n) AS (SELECT 1 UNION ALL SELECT n+1 FROM c WHERE n<33) INSERT INTO k SELECT n FROM c;
CREATE TEMP TABLE base AS SELECT * FROM Runs; 
INSERT INTO Runs (Id,ClientId,SessionId,AthleteId,LineId,Day,FinishedAt,Outcome,Kind,Effort,Method,Trigger,Start,StartBehindGateMetres,FlyingSpeed,LoggedBy,DeletedAt,Rep,Picked,Course,Load,StartSaid,RunInMetres,ZoneFrom,ZoneTo,EstimatedSpeed)
SELECT b.Id + n*100000, upper(substr(hex(randomblob(16)),1,8)||'-'||hex(randomblob(2))||'-'||hex(randomblob(2))||'-'||hex(randomblob(2))||'-'||hex(randomblob(6))), SessionId, AthleteId, LineId, date(Day, '-'||(n*16+84)||' days'), FinishedAt, Outcome, Kind, Effort, Method, Trigger, Start, StartBehindGateMetres, FlyingSpeed, LoggedBy, DeletedAt, 0, '', Course, Load, StartSaid, RunInMetres, ZoneFrom, ZoneTo, EstimatedSpeed FROM base b, k;
INSERT INTO Marks (RunId,Millimetres,Amount,Unit,Seconds) SELECT RunId + n*100000, Millimetres, Amount, Unit, Seconds FROM (SELECT * FROM Marks) m, k;
INSERT INTO RunStretches (RunId,Key,FromMillimetres,ToMillimetres,AthleteId,Seconds,Effort,Day,FinishedAt) SELECT RunId + n*100000, Key, FromMillimetres, ToMillimetres, AthleteId, Seconds, Effort, date(Day, '-'||(n*16+84)||' days'), FinishedAt FROM (SELECT * FROM RunStretches) s, k;
COMMIT; ANALYZE; SELECT count(*) FROM Runs; SELECT count(*) FROM Marks; SELECT count(*) FROM RunStretches;

<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en">
<context>
    <name>baryton::AppState</name>
    <message numerus="yes">
        <source>Undone: %1. %n other pictures were changed since and keep their state</source>
        <translation>
            <numerusform>Undone: %1. One other picture was changed since and keeps its state</numerusform>
            <numerusform>Undone: %1. %n other pictures were changed since and keep their state</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1 stays on this picture; on %n others it was taken back</source>
        <translation>
            <numerusform>%1 stays on this picture; on %n other it was taken back</numerusform>
            <numerusform>%1 stays on this picture; on %n others it was taken back</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::CrashSheet</name>
    <message numerus="yes">
        <source>%n more</source>
        <translation>
            <numerusform>%n more</numerusform>
            <numerusform>%n more</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::EmptyDeletedSheet</name>
    <message numerus="yes">
        <source>%n deleted groups, %1</source>
        <translation>
            <numerusform>%n deleted group, %1</numerusform>
            <numerusform>%n deleted groups, %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>They are kept for %n days and go then by themselves. Emptied now, they can&apos;t be brought back.</source>
        <translation>
            <numerusform>They are kept for %n day and go then by themselves. Emptied now, they can&apos;t be brought back.</numerusform>
            <numerusform>They are kept for %n days and go then by themselves. Emptied now, they can&apos;t be brought back.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n deleted groups are gone</source>
        <translation>
            <numerusform>%n deleted group is gone</numerusform>
            <numerusform>%n deleted groups are gone</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::FolderWatcher</name>
    <message numerus="yes">
        <source>Watching %1: %n files made</source>
        <translation>
            <numerusform>Watching %1: %n file made</numerusform>
            <numerusform>Watching %1: %n files made</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::MainWindow</name>
    <message numerus="yes">
        <source>%n grades are not on the disk yet, so the window stays open. Make room, or close it once more to leave without them</source>
        <translation>
            <numerusform>One grade is not on the disk yet, so the window stays open. Make room, or close it once more to leave without it</numerusform>
            <numerusform>%n grades are not on the disk yet, so the window stays open. Make room, or close it once more to leave without them</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::MaskPages</name>
    <message numerus="yes">
        <source>%n stroke(s) painted</source>
        <translation>
            <numerusform>%n stroke painted</numerusform>
            <numerusform>%n strokes painted</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::MatchPage</name>
    <message numerus="yes">
        <source>The Prep of %n pictures is set. Undo takes it back</source>
        <translation>
            <numerusform>The Prep of %n picture is set. Undo takes it back</numerusform>
            <numerusform>The Prep of %n pictures is set. Undo takes it back</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::PictureSet</name>
    <message numerus="yes">
        <source>Nothing else is opened now: %n grades are not on the disk yet. Make room, then open it again</source>
        <translation>
            <numerusform>Nothing else is opened now: one grade is not on the disk yet. Make room, then open it again</numerusform>
            <numerusform>Nothing else is opened now: %n grades are not on the disk yet. Make room, then open it again</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n JPEGs lie beside raw files of the same name: each two are one picture here</source>
        <translation>
            <numerusform>%n JPEG lies beside a raw file of the same name: the two are one picture here</numerusform>
            <numerusform>%n JPEGs lie beside raw files of the same name: each two are one picture here</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::PlanSheet</name>
    <message numerus="yes">
        <source>%n of the pictures are not there; the others are made</source>
        <translation>
            <numerusform>One of the pictures is not there; the others are made</numerusform>
            <numerusform>%n of the pictures are not there; the others are made</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::Shelf</name>
    <message numerus="yes">
        <source>%n presets, open</source>
        <translation>
            <numerusform>%n preset, open</numerusform>
            <numerusform>%n presets, open</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n presets, folded</source>
        <translation>
            <numerusform>%n preset, folded</numerusform>
            <numerusform>%n presets, folded</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::SurveyPage</name>
    <message numerus="yes">
        <source>None of %n pictures fails, against %1</source>
        <translation>
            <numerusform>%n picture, and it does not fail</numerusform>
            <numerusform>None of %n pictures fails, against %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1 of %n pictures fail, against %2</source>
        <translation>
            <numerusform>%1 of %n picture fails, against %2</numerusform>
            <numerusform>%1 of %n pictures fail, against %2</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>baryton::TrayPanel</name>
    <message numerus="yes">
        <source>%n pictures</source>
        <translation>
            <numerusform>%n picture</numerusform>
            <numerusform>%n pictures</numerusform>
        </translation>
    </message>
</context>
</TS>

#include "app/settings.h"

#include <QFileInfo>
#include <QSettings>
#include <QThread>
#include <algorithm>

namespace baryton {

namespace {

constexpr int kRecentSets = 10;

QSettings store() {
    return QSettings(QSettings::IniFormat, QSettings::UserScope, QStringLiteral("baryton"),
                     QStringLiteral("baryton"));
}

MonitorWish monitorFrom(const QString& kind, const QString& file) {
    if (kind == QLatin1String("srgb")) return {MonitorWish::Kind::Srgb, file};
    return {kind == QLatin1String("file") ? MonitorWish::Kind::File : MonitorWish::Kind::Desktop, file};
}

QString kindName(const MonitorWish& monitor) {
    switch (monitor.kind) {
    case MonitorWish::Kind::Srgb:
        return QStringLiteral("srgb");
    case MonitorWish::Kind::File:
        return QStringLiteral("file");
    case MonitorWish::Kind::Desktop:
        break;
    }
    return QStringLiteral("desktop");
}

} // namespace

void dropBrokenLock() {
    // Killed between making the lock and saying in it whose it is, a run leaves it empty: nobody can tell that it is
    // dead, and QSettings waits half a minute. One that lives writes into it at once.
    const QString lock = store().fileName() + QStringLiteral(".lock");
    const auto isEmpty = [&] { return QFileInfo::exists(lock) && QFileInfo(lock).size() == 0; };
    constexpr unsigned long pause = 50; // milliseconds
    for (int tries = 0; tries < 4 && isEmpty(); ++tries) QThread::msleep(pause);
    if (isEmpty()) QFile::remove(lock);
}

Settings loadSettings() {
    const QSettings file = store();
    Settings s;
    const auto text = [&](const char* key) { return file.value(QLatin1String(key)).toString(); };
    if (text("theme") == QLatin1String("light")) s.theme = theme::Kind::Light;
    if (text("surround") == QLatin1String("middle")) s.surround = theme::Surround::Middle;
    if (text("surround") == QLatin1String("light")) s.surround = theme::Surround::Light;
    s.monitor = monitorFrom(text("monitor"), text("monitorProfile"));
    s.secondMonitor = monitorFrom(text("secondMonitor"), text("secondMonitorProfile"));
    s.language = text("language");
    s.pairsAsOne = text("pairs") != QLatin1String("two");
    s.beforeIsPrep = text("before") == QLatin1String("prep");
    s.pictureMegabytes =
        std::clamp(file.value(QStringLiteral("pictureMegabytes"), s.pictureMegabytes).toInt(), 0, 1000000);
    s.cacheMegabytes = std::clamp(file.value(QStringLiteral("cacheMegabytes"), s.cacheMegabytes).toInt(), 100, 64000);
    s.threads = std::clamp(file.value(QStringLiteral("threads"), 0).toInt(), 0, 256);
    const auto named = [&](const char* key) { return text(key).toStdString(); };
    const auto isOn = [&](const char* key, bool standard) {
        return file.value(QLatin1String(key), standard).toBool();
    };
    s.proof.profile.space = spaceFromName(named("proof/space")).value_or(s.proof.profile.space);
    s.proof.profile.file = named("proof/file");
    s.proof.profile.intent = intentFromName(named("proof/intent")).value_or(s.proof.profile.intent);
    s.proof.profile.hasBlackPoint = isOn("proof/blackPoint", s.proof.profile.hasBlackPoint);
    s.proof.hasPaperWhite = isOn("proof/paperWhite", s.proof.hasPaperWhite);
    s.proof.marksOutside = isOn("proof/marks", s.proof.marksOutside);
    return s;
}

void saveSettings(const Settings& s) {
    QSettings file = store();
    file.setValue(QStringLiteral("theme"),
                  s.theme == theme::Kind::Light ? QStringLiteral("light") : QStringLiteral("dark"));
    file.setValue(QStringLiteral("surround"), s.surround == theme::Surround::Dark     ? QStringLiteral("dark")
                                              : s.surround == theme::Surround::Middle ? QStringLiteral("middle")
                                                                                      : QStringLiteral("light"));
    file.setValue(QStringLiteral("monitor"), kindName(s.monitor));
    file.setValue(QStringLiteral("monitorProfile"), s.monitor.file);
    file.setValue(QStringLiteral("secondMonitor"), kindName(s.secondMonitor));
    file.setValue(QStringLiteral("secondMonitorProfile"), s.secondMonitor.file);
    file.setValue(QStringLiteral("before"), s.beforeIsPrep ? QStringLiteral("prep") : QStringLiteral("source"));
    file.setValue(QStringLiteral("pairs"), s.pairsAsOne ? QStringLiteral("one") : QStringLiteral("two"));
    file.setValue(QStringLiteral("language"), s.language);
    file.setValue(QStringLiteral("cacheMegabytes"), s.cacheMegabytes);
    file.setValue(QStringLiteral("pictureMegabytes"), s.pictureMegabytes);
    file.setValue(QStringLiteral("threads"), s.threads);
    file.setValue(QStringLiteral("proof/space"), QString::fromStdString(spaceName(s.proof.profile.space)));
    file.setValue(QStringLiteral("proof/file"), QString::fromStdString(s.proof.profile.file.string()));
    file.setValue(QStringLiteral("proof/intent"), QString::fromStdString(intentName(s.proof.profile.intent)));
    file.setValue(QStringLiteral("proof/blackPoint"), s.proof.profile.hasBlackPoint);
    file.setValue(QStringLiteral("proof/paperWhite"), s.proof.hasPaperWhite);
    file.setValue(QStringLiteral("proof/marks"), s.proof.marksOutside);
}

QStringList recentSets() {
    return store().value(QStringLiteral("recent")).toStringList();
}

void rememberSet(const QString& path) {
    QStringList recent = recentSets();
    recent.removeAll(path);
    recent.prepend(path);
    store().setValue(QStringLiteral("recent"), QStringList(recent.mid(0, kRecentSets)));
}

QString lastInHand(const QString& set) {
    const QStringList both = store().value(QStringLiteral("inHand")).toStringList();
    for (qsizetype i = 0; i + 1 < both.size(); i += 2)
        if (both.at(i) == set) return both.at(i + 1);
    return {};
}

void rememberInHand(const QString& set, const QString& picture) {
    // Sets and their pictures in turn, last first.
    const QStringList before = store().value(QStringLiteral("inHand")).toStringList();
    QStringList after{set, picture};
    for (qsizetype i = 0; i + 1 < before.size() && after.size() < 2 * kRecentSets; i += 2)
        if (before.at(i) != set) after << before.at(i) << before.at(i + 1);
    store().setValue(QStringLiteral("inHand"), after);
}

QByteArray layoutState(const QString& name) {
    return store().value(QStringLiteral("layout/") + name).toByteArray();
}

void rememberLayout(const QString& name, const QByteArray& state) {
    store().setValue(QStringLiteral("layout/") + name, state);
}

} // namespace baryton

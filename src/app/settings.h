#pragma once
#include "app/theme/theme.h"
#include "picture/soft_proof.h"

#include <QString>
#include <QStringList>

namespace baryton {

/// Whose profile a monitor has.
struct MonitorWish {
    enum class Kind { Desktop, Srgb, File } kind = Kind::Desktop;
    QString file{}; ///< an ICC file, for File

    bool operator==(const MonitorWish&) const = default;
};

/// What the user prefers, kept in the user's configuration folder from one start to the next.
struct Settings {
    theme::Kind theme = theme::Kind::Dark;
    theme::Surround surround = theme::Surround::Dark;
    MonitorWish monitor{}, secondMonitor{}; ///< of the window, and of the second one with the picture alone
    bool beforeIsPrep = false;
    bool pairsAsOne = true;   ///< a raw file and the JPEG beside it are one picture
    QString language;         ///< "de"; empty for the system's. Taken at the start
    int cacheMegabytes = 900; ///< for decoded pictures
    int pictureMegabytes = 0; ///< that one picture may take; 0: as memory_limit.h has it
    int threads = 0;          ///< 0: all cores
    ProofWish proof{};        ///< as what pictures are proofed, where that is asked for

    bool operator==(const Settings&) const = default;
};

/// At the start, before anything is read: what a run that was killed left of its lock holds nobody up.
void dropBrokenLock();

Settings loadSettings();
void saveSettings(const Settings& settings);

/// Folders and files that were opened lately, last first.
QStringList recentSets();
void rememberSet(const QString& path);
/// The picture of a set that was last in hand; empty where that is not known.
QString lastInHand(const QString& set);
void rememberInHand(const QString& set, const QString& picture);

/// The window's geometry and the state of its panels, as bytes under a name.
QByteArray layoutState(const QString& name);
void rememberLayout(const QString& name, const QByteArray& state);

} // namespace baryton

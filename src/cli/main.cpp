#include "base/version.h"
#include "cli/commands.h"
#include "cli/terminal.h"

#include <algorithm>
#include <clocale>
#include <iostream>
#include <string>
#include <vector>

namespace {

/// The arguments with "[name]" as "./[name]": the parser would take it for a list.
std::vector<std::string> asNames(int argc, char** argv) {
    std::vector<std::string> arguments(argv + 1, argv + argc);
    for (std::size_t i = 0; i < arguments.size(); ++i) {
        const std::string before = i > 0 ? arguments[i - 1] : "";
        const bool isWords = before.starts_with('-') && before != "--" && before != "--preset" && before != "--lut";
        if (!isWords && arguments[i].starts_with('[') && arguments[i].ends_with(']')) arguments[i].insert(0, "./");
    }
    std::reverse(arguments.begin(), arguments.end()); // as the parser wants them
    return arguments;
}

/// How many letters must be put in, left out or changed to make one word of the other (Levenshtein).
std::size_t distance(const std::string& a, const std::string& b) {
    std::vector<std::size_t> row(b.size() + 1);
    for (std::size_t i = 0; i <= b.size(); ++i) row[i] = i;
    for (std::size_t i = 0; i < a.size(); ++i) {
        std::size_t corner = row[0];
        row[0] = i + 1;
        for (std::size_t k = 0; k < b.size(); ++k) {
            const std::size_t above = row[k + 1];
            row[k + 1] = std::min({above + 1, row[k] + 1, corner + (a[i] != b[k])});
            corner = above;
        }
    }
    return row.back();
}

/// The parser would say no more of a wrong command than that one is required.
void requireKnownCommands(const CLI::App& app, const std::vector<std::string>& arguments, std::size_t at = 0) {
    const auto commands = app.get_subcommands([](const CLI::App*) { return true; });
    if (commands.empty() || at >= arguments.size() || arguments[at].starts_with('-')) return;
    const CLI::App* nearest = commands.front();
    for (const CLI::App* each : commands) {
        if (each->get_name() == arguments[at]) return requireKnownCommands(*each, arguments, at + 1);
        if (distance(each->get_name(), arguments[at]) < distance(nearest->get_name(), arguments[at])) nearest = each;
    }
    std::string all;
    for (const CLI::App* each : commands) all += (all.empty() ? "" : ", ") + each->get_name();
    const bool isNear = distance(nearest->get_name(), arguments[at]) <= 2;
    throw baryton::WrongUsage(arguments[at], "", "there is no such command",
                              isNear ? "did you mean \"" + nearest->get_name() + "\"?" : "there are " + all);
}

} // namespace

int main(int argc, char** argv) {
    using namespace baryton;
    std::setlocale(LC_CTYPE, ""); // names may hold any letters; numbers stay as in files
    const PlainStreams plain;
    CLI::App app("baryton-cli: colour styles for whole sets of pictures, from the command line", "baryton-cli");
    app.require_subcommand(1);
    app.set_version_flag("--version", std::string(kProgram) + " " + kVersion);
    int code = kAllDone;
    addApplyCommand(app, code);
    addLutCommands(app, code);
    addPresetCommands(app, code);
    addPlanCommands(app, code);
    addWatchCommand(app, code);
    addSurveyCommands(app, code);
    addInfoCommands(app);
    addDescribeCommand(app);
    try {
        requireKnownCommands(app, {argv + 1, argv + argc});
        app.parse(asNames(argc, argv));
    } catch (const CLI::ParseError& e) {
        return app.exit(e) == 0 ? kAllDone : kWrongUsage;
    } catch (const WrongUsage& e) {
        std::cerr << e.what() << '\n';
        return kWrongUsage;
    } catch (const Error& e) {
        std::cerr << e.what() << '\n';
        return kSomeFailed;
    } catch (const std::bad_alloc&) {
        std::cerr << "baryton-cli: there is not enough memory: close other programs\n";
        return kSomeFailed;
    } catch (const std::exception& e) {
        std::cerr << "baryton-cli: " << e.what() << '\n';
        return kSomeFailed;
    }
    return code;
}

#pragma once
#include <stdexcept>
#include <string>

namespace baryton {

/// The one error type of the program: thrown in the core, shown at the edge of a task.
///
/// `file` may be empty (nothing to do with a file), `place` names a line ("line 12") or a JSON path
/// ("/look/0/stages/1"), `what` says what is wrong, `hint` what to do about it.
class Error : public std::runtime_error {
public:
    Error(std::string file, std::string place, std::string what, std::string hint);

    const std::string& file() const { return file_; }
    const std::string& place() const { return place_; }
    const std::string& problem() const { return problem_; }
    const std::string& hint() const { return hint_; }

    /// The same problem, told of another file; used where a parser of bytes did not know the file's name.
    Error inFile(const std::string& file) const;

private:
    std::string file_, place_, problem_, hint_;
};

/// What is thrown when a task was cancelled: not a failure, nothing to show.
class Cancelled : public std::exception {
public:
    const char* what() const noexcept override { return "cancelled"; }
};

} // namespace baryton

// What is written beside the work while a person edits, so that a crash costs seconds: one folder a running
// program with the last project value as project.json and each asset once.
#pragma once
#include <chrono>
#include <filesystem>
#include <map>
#include <string>
#include <vector>

#include "project/project.h"

namespace yemvo {

/// One running program's journal. The folder is locked while the object lives; a folder without a lock is a
/// crash's.
class Journal {
public:
    /// A new folder under `root`, which is made when missing. Throws Error.
    explicit Journal(const std::filesystem::path& root);
    /// Leaves nothing behind when cleared, all of it otherwise.
    ~Journal();
    Journal(const Journal&) = delete;
    Journal& operator=(const Journal&) = delete;

    /// Flushed and renamed into place: a reader finds the value before or this one. `file`: where the project
    /// was opened from, empty when never saved. Throws Error; then the value before is still there.
    void write(const Project&, const std::string& file);
    /// Everything is saved: there is nothing to recover.
    void clear();
    const std::filesystem::path& folder() const { return folder_; }

private:
    std::filesystem::path folder_;
    int lock_ = -1;
    std::map<std::string, const void*> written_;  ///< assets by name, and which value
};

/// Work that a program left behind when it ended without saving.
struct Leftover {
    std::filesystem::path folder;
    std::string project;  ///< its name
    std::string file;     ///< where it had been opened from; may be empty
    std::chrono::system_clock::time_point written;
};

/// Newest first; folders of running programs are passed over, those without anything useful too.
std::vector<Leftover> leftovers(const std::filesystem::path& root);
/// Throws Error when it cannot be read.
Project recover(const Leftover&);
void discard(const Leftover&);

}  // namespace yemvo

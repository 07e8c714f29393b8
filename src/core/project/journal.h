// SPDX-License-Identifier: GPL-3.0-or-later
// What is written beside the work while a person edits, so that a crash costs seconds: one folder a running
// program with the last project value in the parts of a project file, of which only those are written that
// have changed.
#pragma once
#include <chrono>
#include <filesystem>
#include <memory>
#include <string>
#include <vector>

#include "project/journal_folder.h"

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
    std::string write_entry(std::string_view bytes);
    void remove_unnamed();
    std::filesystem::path folder_;
    int lock_ = -1;
    journal_folder::Work work_;
    std::unique_ptr<Project> last_;  ///< what work_ tells of
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
/// What cannot be read of it is set aside. Throws Error when nothing can be read.
Project recover(const Leftover&);
/// Out of sight, but there for another month; gives where it is now. Throws Error.
Leftover throw_away(const Leftover&);
/// What was thrown away is a leftover again.
Leftover take_back(const Leftover&);
inline constexpr std::chrono::hours keeps_thrown_away{24 * 30};
/// Newest first.
std::vector<Leftover> thrown_away_leftovers(const std::filesystem::path& root);
/// For good.
void discard(const Leftover&);

}  // namespace yemvo

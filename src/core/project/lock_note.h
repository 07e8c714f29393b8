// SPDX-License-Identifier: GPL-3.0-or-later
// A note beside a project file that tells who has it open. It stops nobody: it is there to be told.
#pragma once
#include <chrono>
#include <filesystem>
#include <optional>
#include <string>

namespace yemvo {

struct OpenedBy {
    std::string user, host;
    int pid = 0;
    std::chrono::system_clock::time_point since;
};

/// Our note beside a file: ".name.open". Removed when it ends, as long as it is ours.
class LockNote {
public:
    /// Writes the note where nobody else's stands, or where who wrote it is gone (a process of this machine
    /// that has ended). A folder that cannot be written gets none.
    explicit LockNote(const std::filesystem::path& file);
    ~LockNote();
    LockNote(const LockNote&) = delete;
    LockNote& operator=(const LockNote&) = delete;
    /// Who else has it open; none where the note is ours or there is none.
    const std::optional<OpenedBy>& other() const { return other_; }
    static std::filesystem::path name_for(const std::filesystem::path& file);

private:
    std::filesystem::path note_;
    std::optional<OpenedBy> other_;
    bool ours_ = false;
};

/// What the note beside a file says; none where there is none that can be read, or its process has ended.
std::optional<OpenedBy> opened_by(const std::filesystem::path& file);

}  // namespace yemvo

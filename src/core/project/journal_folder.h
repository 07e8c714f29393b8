// SPDX-License-Identifier: GPL-3.0-or-later
// How a journal lies in its folder: `work.json` tells which file of `entries/` holds which entry of the
// project, each called by its content. What was there before work.json names something else is there until
// then.
#pragma once
#include <filesystem>
#include <map>
#include <string>

#include "project/file/part_source.h"

namespace yemvo::journal_folder {

inline constexpr const char *lock_name = "lock", *work_name = "work.json", *entry_folder = "entries";
/// Of a Yemvo that had the project in one text.
inline constexpr const char *old_value = "project.json", *old_about = "about.json", *old_assets = "assets";

/// What work.json says.
struct Work {
    std::string project;                         ///< its name
    std::string file;                            ///< where it was opened from; may be empty
    std::map<std::string, std::string> on_disk;  ///< where in the folder each entry lies
};
std::string work_text(const Work&);
/// Empty where it is damaged.
Work read_work(const std::filesystem::path& folder);

/// The entries of a crash's folder, as far as each is whole.
class Source : public PartSource {
public:
    explicit Source(const std::filesystem::path& folder);
    const std::vector<std::string>& names() const override { return names_; }
    bool has(const std::string& entry) const override { return work_.on_disk.contains(entry); }
    void stream(const std::string& entry, const std::function<void(std::istream&)>& use) const override;
    Bytes read(const std::string& entry) const override;

private:
    std::filesystem::path folder_;
    Work work_;
    std::vector<std::string> names_;
};

/// The lock, held while the descriptor is open; -1 when a running program has it.
int try_lock(const std::filesystem::path& folder);

}  // namespace yemvo::journal_folder

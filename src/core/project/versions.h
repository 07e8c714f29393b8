// SPDX-License-Identifier: GPL-3.0-or-later
// Earlier versions of project files: copies of what a save replaced, in a place of the program's own, so that
// nothing that was once saved is lost at once.
#pragma once
#include <chrono>
#include <filesystem>
#include <string>
#include <vector>

namespace yemvo {

struct KeptVersion {
    std::filesystem::path copy;                   ///< a whole project file
    std::string file;                             ///< of which it is an earlier version
    std::chrono::system_clock::time_point saved;  ///< when it had been written
    std::uint64_t bytes = 0;
};

/// How much is kept: of a file at least `least` whatever its age, at most `most`; of all files together at
/// most `bytes`, the oldest going first; nothing older than `age`.
struct VersionRing {
    std::size_t least = 3, most = 20;
    std::uint64_t bytes = 1'000'000'000;
    std::chrono::hours age{24 * 90};
};

class Versions {
public:
    /// `root` is made when something is kept.
    explicit Versions(std::filesystem::path root, VersionRing = {});

    /// Keeps a copy of `now`, which is about to be replaced, as a version of `file`, and drops what is too
    /// much. Throws Error.
    void keep(const std::filesystem::path& now, const std::filesystem::path& file) const;
    /// Newest first.
    std::vector<KeptVersion> of(const std::filesystem::path& file) const;
    /// Of every file, newest first.
    std::vector<KeptVersion> all() const;

private:
    std::filesystem::path folder_of(const std::filesystem::path& file) const;
    std::vector<KeptVersion> in(const std::filesystem::path& folder) const;
    void prune() const;
    std::filesystem::path root_;
    VersionRing ring_;
};

}  // namespace yemvo

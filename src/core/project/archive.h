// A zip archive as named pieces of bytes, read with suspicion and written so that a crash loses nothing.
#pragma once
#include <filesystem>
#include <map>
#include <string>
#include <vector>

#include "project/project.h"

namespace yemvo {

struct Archive {
    std::map<std::string, Bytes> entries;
    std::vector<std::string> damaged;  ///< "name: reason" of entries that could not be read
};

/// Throws Error when the file cannot be opened, is no zip, is cut short, or holds absurdly much.
Archive read_archive(const std::filesystem::path&);

/// Writes beside the target, flushes, keeps what was there as "name~", and renames into place. The same
/// entries give the same bytes. Throws Error; then the target is as it was.
void write_archive(const std::filesystem::path&, const std::map<std::string, const Bytes*>& entries);

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
// Writing a file so that nothing that was there is lost, whatever happens meanwhile.
#pragma once
#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <functional>
#include <string>

namespace yemvo {

/// What a file looked like: to tell whether somebody else has written it since.
struct FileMark {
    std::uint64_t size = 0;
    std::int64_t modified_ns = 0;
    std::uint64_t inode = 0;
    bool exists = false;
    friend bool operator==(const FileMark&, const FileMark&) = default;
};
/// Of the file that a link leads to. Of a file that cannot be looked at: exists is false.
FileMark mark_of(const std::filesystem::path&);

/// The file that a name stands for, links followed to the end, also where it does not exist yet. Throws Error
/// for a folder, a device, a pipe, a link that leads in a circle.
std::filesystem::path real_target(const std::filesystem::path&);

/// Whether a file of that name could be written, told before the work for it: its folder is there and may be
/// written into, and it is no folder itself. Throws Error naming the file.
void look_at_target(const std::filesystem::path&);

/// Called with the file as it was written, before it takes the target's place; throws to refuse it.
using LookAtWritten = std::function<void(const std::filesystem::path&)>;
/// Called with the file that is about to be replaced, so that it can be kept.
using KeepOld = std::function<void(const std::filesystem::path&)>;

/// Writes beside the target, flushes to the disk, looks at it, keeps what was there, and renames into place.
/// A link stays a link; permissions and, where allowed, the owner stay. Throws Error naming the target; then
/// it is as it was.
void replace_file(const std::filesystem::path& target, const void* data, std::size_t size,
                  const LookAtWritten& = {}, const KeepOld& = {});

/// A second name for the file's bytes, "name~", so that the file never stops existing. Throws Error.
void keep_beside(const std::filesystem::path& file);

/// Written and flushed, in place; `mode` less the user's mask for a new one. Throws std::system_error.
void write_flushed(const std::filesystem::path&, const void* data, std::size_t size, unsigned mode = 0600);

}  // namespace yemvo

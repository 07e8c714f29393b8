// SPDX-License-Identifier: GPL-3.0-or-later
// A zip archive as named pieces of bytes, read with suspicion.
#pragma once
#include <filesystem>
#include <functional>
#include <istream>
#include <map>
#include <memory>
#include <string>
#include <vector>

#include "project/file/part_source.h"

namespace yemvo {

/// A zip file that is open for reading.
class ArchiveReader : public PartSource {
public:
    /// Throws Error when the file cannot be opened, is no zip, is cut short, or unpacked holds absurdly much:
    /// beyond 100 MB and 60 times its size, or beyond 1 GiB.
    explicit ArchiveReader(const std::filesystem::path&);
    ~ArchiveReader() override;
    ArchiveReader(const ArchiveReader&) = delete;
    ArchiveReader& operator=(const ArchiveReader&) = delete;

    /// Of entries that are no folders, as they stand in the file.
    const std::vector<std::string>& names() const override { return names_; }
    bool has(const std::string& name) const override;
    /// The entry's bytes, its checksum tested. Throws Error when they are damaged.
    Bytes read(const std::string& name) const override;
    /// Calls `use` with the entry as a stream, which is never in memory as a whole. A damaged place throws
    /// Error out of it; the checksum is tested at the end.
    void stream(const std::string& name, const std::function<void(std::istream&)>& use) const override;

private:
    struct Open;
    std::unique_ptr<Open> open_;
    std::string path_;
    std::vector<std::string> names_;
};

/// The archive's bytes. The same entries give the same bytes. Throws Error.
Bytes archive_bytes(const std::map<std::string, const Bytes*>& entries);

}  // namespace yemvo

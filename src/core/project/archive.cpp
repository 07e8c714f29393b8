// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/archive.h"

#include <zip.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <cstring>
#include <fstream>
#include <memory>
#include <streambuf>

namespace yemvo {

namespace archive_handles {
struct ZipClose {
    void operator()(zip_t* z) const { zip_discard(z); }
};
struct FileClose {
    void operator()(zip_file_t* f) const { zip_fclose(f); }
};
using Zip = std::unique_ptr<zip_t, ZipClose>;
using ZipFile = std::unique_ptr<zip_file_t, FileClose>;
}  // namespace archive_handles

namespace {

using namespace archive_handles;

namespace fs = std::filesystem;
constexpr zip_uint64_t most_entries = 200'000;  // a part a floor, and one a floor and variant
// of all entries together, unpacked: drawings hardly shrink, plans by ten to thirty times
constexpr zip_uint64_t most_bytes = 1ull << 30, always_allowed = 100'000'000, most_ratio = 60;

bool starts_like_zip(const fs::path& path) {
    std::array<char, 4> head{};
    std::ifstream(path, std::ios::binary).read(head.data(), head.size());
    return std::memcmp(head.data(), "PK\3\4", 4) == 0;
}

[[noreturn]] void cannot_open(const fs::path& path, int code) {
    const std::string name = path.string();
    std::error_code ignored;
    if (!fs::exists(path, ignored)) throw Error(say("there is no such file"), name, say("Check the name"));
    if (fs::is_directory(path, ignored)) throw Error(say("is a folder"), name, say("Name a project file"));
    if (fs::file_size(path, ignored) == 0)
        throw Error(say("the file is empty"), name, say("Try an earlier version (File, Earlier versions)"));
    if (starts_like_zip(path))
        throw Error(say("the file is damaged or cut short"), name,
                    say("Try an earlier version (File, Earlier versions)"));
    if (code == ZIP_ER_OPEN || code == ZIP_ER_READ)
        throw Error(std::string(std::strerror(errno)), name, say("Check that you may read it"));
    throw Error(say("is not a Yemvo project"), name, say("Choose a file that Yemvo saved (.yemvo)"));
}

[[noreturn]] void damaged(const std::string& path, const std::string& name) {
    throw Error(say("its bytes are damaged"), path + ": " + name, say("Try an earlier version of the file"));
}

[[noreturn]] void cannot_pack(const Said& why) {
    throw Error(say("the file could not be put together: %1", why), {},
                say("Free some memory and try again"));
}

/// An entry as a stream, unpacked piece by piece.
class EntryBuffer : public std::streambuf {
public:
    EntryBuffer(zip_file_t* file, const std::string& path, const std::string& name)
        : file_(file), path_(path), name_(name) {}

protected:
    int_type underflow() override {
        const zip_int64_t got = zip_fread(file_, piece_.data(), piece_.size());
        if (got < 0) damaged(path_, name_);
        if (got == 0) return traits_type::eof();
        setg(piece_.data(), piece_.data(), piece_.data() + got);
        return traits_type::to_int_type(piece_[0]);
    }

private:
    zip_file_t* file_;
    const std::string &path_, &name_;
    std::array<char, 1 << 16> piece_;
};

}  // namespace

struct ArchiveReader::Open {
    Zip zip;
    std::map<std::string, std::pair<zip_uint64_t, zip_uint64_t>> entries;  ///< name: index and size
    ZipFile file(const std::string& path, const std::string& name) const {
        const auto found = entries.find(name);
        if (found == entries.end()) throw Error(say("is not in the file"), path + ": " + name);
        ZipFile f(zip_fopen_index(zip.get(), found->second.first, 0));
        if (!f)
            throw Error(std::string(zip_strerror(zip.get())), path + ": " + name,
                        say("Try an earlier version of the file"));
        return f;
    }
};

ArchiveReader::ArchiveReader(const fs::path& path) : open_(std::make_unique<Open>()), path_(path.string()) {
    std::error_code ignored;
    if (fs::exists(path, ignored) && !fs::is_regular_file(path, ignored))
        throw Error(
            fs::is_directory(path, ignored) ? say("is a folder") : say("is no file but a device or pipe"),
            path_, say("Name a project file"));
    int code = 0;
    open_->zip.reset(zip_open(path.c_str(), ZIP_RDONLY, &code));
    zip_t* zip = open_->zip.get();
    if (!zip) cannot_open(path, code);
    const zip_int64_t count = zip_get_num_entries(zip, 0);
    if (count < 0 || static_cast<zip_uint64_t>(count) > most_entries)
        throw Error(say("holds too many entries"), path_, say("This is no project of Yemvo"));
    const zip_uint64_t most = std::min<zip_uint64_t>(
        most_bytes, always_allowed + most_ratio * static_cast<zip_uint64_t>(fs::file_size(path, ignored)));
    zip_uint64_t total = 0;
    for (zip_uint64_t i = 0; i < static_cast<zip_uint64_t>(count); ++i) {
        zip_stat_t stat;
        if (zip_stat_index(zip, i, 0, &stat) != 0 || !(stat.valid & ZIP_STAT_NAME)) continue;
        const std::string name = stat.name;
        if (name.ends_with('/')) continue;
        if (!(stat.valid & ZIP_STAT_SIZE) || stat.size > most || (total += stat.size) > most)
            throw Error(say("holds more than a project of its size can"), path_ + ": " + name,
                        say("This is no project of Yemvo"));
        if (open_->entries.emplace(name, std::pair(i, stat.size)).second) names_.push_back(name);
    }
}

ArchiveReader::~ArchiveReader() = default;

bool ArchiveReader::has(const std::string& name) const { return open_->entries.contains(name); }

Bytes ArchiveReader::read(const std::string& name) const {
    const ZipFile file = open_->file(path_, name);
    Bytes bytes(open_->entries.at(name).second);
    zip_uint64_t done = 0;
    while (done < bytes.size()) {
        const zip_int64_t got = zip_fread(file.get(), bytes.data() + done, bytes.size() - done);
        if (got <= 0) damaged(path_, name);
        done += static_cast<zip_uint64_t>(got);
    }
    std::byte beyond;
    if (zip_fread(file.get(), &beyond, 1) != 0) damaged(path_, name);  // the checksum is tested here
    return bytes;
}

void ArchiveReader::stream(const std::string& name, const std::function<void(std::istream&)>& use) const {
    const ZipFile file = open_->file(path_, name);
    EntryBuffer buffer(file.get(), path_, name);
    std::istream in(&buffer);
    use(in);
    while (buffer.sbumpc() != std::streambuf::traits_type::eof()) {
    }
}

// The zip is made in memory; libzip frees the source with the archive unless it is kept.
Bytes archive_bytes(const std::map<std::string, const Bytes*>& entries) {
    zip_error_t error;
    zip_error_init(&error);
    zip_source_t* buffer = zip_source_buffer_create(nullptr, 0, 0, &error);
    if (!buffer) cannot_pack(say("no memory"));
    zip_source_keep(buffer);
    zip_t* zip = zip_open_from_source(buffer, ZIP_TRUNCATE, &error);
    if (!zip) cannot_pack(std::string(zip_error_strerror(&error)));
    for (const auto& [name, bytes] : entries) {
        zip_source_t* source = zip_source_buffer(zip, bytes->data(), bytes->size(), 0);
        const zip_int64_t index = zip_file_add(zip, name.c_str(), source, ZIP_FL_ENC_UTF_8);
        if (index < 0) cannot_pack(std::string(zip_strerror(zip)));
        // a fixed time (1 January 2020), so that the same project gives the same bytes
        zip_file_set_dostime(zip, static_cast<zip_uint64_t>(index), 0, (40 << 9) | (1 << 5) | 1, 0);
    }
    if (zip_close(zip) != 0) cannot_pack(std::string(zip_strerror(zip)));
    zip_source_open(buffer);
    zip_source_seek(buffer, 0, SEEK_END);
    Bytes out(static_cast<std::size_t>(zip_source_tell(buffer)));
    zip_source_seek(buffer, 0, SEEK_SET);
    zip_source_read(buffer, out.data(), out.size());
    zip_source_close(buffer);
    zip_source_free(buffer);
    return out;
}

}  // namespace yemvo

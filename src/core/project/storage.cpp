// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/storage.h"

#include "base/utf8.h"
#include "project/archive.h"
#include "project/edits.h"
#include "project/file/read_file.h"
#include "project/file/write_file.h"

namespace yemvo {
namespace {

namespace fs = std::filesystem;

ReadProject read_parts(const ArchiveReader& archive, const std::string& file, bool tolerant) {
    if (!archive.has(outline_entry))
        throw Error(say("is not a Yemvo project: there is no project.json inside"), file,
                    say("Choose a file that Yemvo saved (.yemvo)"));
    try {
        return read_project(archive, tolerant);
    } catch (const Error& fault) {
        const bool named = fault.where().english().starts_with(file);
        throw Error(named ? say("the project inside is damaged") : fault.summary(),
                    named ? Said(file) : said_joined(": ", file, fault.where()), fault.remedy());
    }
}

/// Parts told one by one where they are few.
void tell_set_aside(const ReadProject& read, std::vector<Said>& warnings) {
    constexpr std::size_t most_told = 5;
    for (std::size_t i = 0; i < read.aside.size() && i < most_told; ++i)
        warnings.push_back(said_joined(": ", read.aside[i].place, shortened(read.aside[i].reason, 200)));
    if (read.aside.size() > most_told)
        warnings.push_back(
            say_counted("and %n more part", "and %n more parts", read.aside.size() - most_told));
    if (!read.aside.empty())
        warnings.push_back(say("These parts are set aside and kept in the file: see Findings"));
}

Bytes packed(const Project& project) {
    std::map<std::string, Bytes> parts;
    for (const FilePart& part : file_parts(project)) parts[part.entry] = bytes_of(part.text());
    std::map<std::string, const Bytes*> entries;
    for (const auto& [name, bytes] : parts) entries[name] = &bytes;
    for (const auto& [name, bytes] : project.assets) entries[std::string(asset_prefix) + name] = &*bytes;
    return archive_bytes(entries);
}

/// Throws Error unless the file holds the project.
void read_back(const Project& project, const fs::path& file) {
    const ArchiveReader archive(file);
    Project back = read_parts(archive, file.string(), false).project;
    read_assets(archive, back);
    if (!(back == project))
        throw Error(say("what was written is not what reads back"), project.name,
                    say("Undo the last edit and save again; the file that was there is as it was"));
}

}  // namespace

Loaded load_project(const fs::path& path) {
    Loaded loaded;
    loaded.mark = mark_of(path);
    const ArchiveReader archive(path);
    ReadProject read = read_parts(archive, path.string(), true);
    tell_set_aside(read, loaded.warnings);
    loaded.project = with_aside(std::move(read));
    read_assets(archive, loaded.project);
    for (const Floor* floor : all_floors(loaded.project))
        for (const Drawing& d : *floor->drawings)
            if (!loaded.project.assets.contains(d.source.asset))
                loaded.warnings.push_back(
                    say("The drawing '%1' of %2 is missing or damaged; choose it again on that floor",
                        d.source.asset, floor->name));
    return loaded;
}

Saved save_project(const Project& to_save, const fs::path& path, const Versions* versions) {
    Project project = to_save;
    drop_unused_assets(project);
    const Bytes bytes = packed(project);
    Saved saved;
    replace_file(
        path, bytes.data(), bytes.size(), [&](const fs::path& written) { read_back(project, written); },
        [&](const fs::path& old) {
            try {
                if (versions) versions->keep(old, path);
            } catch (const Error& fault) {
                saved.warnings.push_back(fault.told());
            }
            keep_beside(old);
        });
    saved.mark = mark_of(path);
    return saved;
}

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/file/read_file.h"

#include <nlohmann/json.hpp>
#include <set>

#include "base/utf8.h"
#include "project/file/all_parts.h"
#include "project/file/old_formats.h"
#include "project/file/part_steps.h"
#include "project/library.h"
#include "project/salvage.h"
#include "project/validation.h"

namespace yemvo {
namespace {

constexpr const char* remedy = mark("Try an earlier version of the file");

int check_format(const Reader& r) {
    if (r.at("format").text() != "yemvo-project") r.at("format").fail(say("is not 'yemvo-project'"));
    const int version = r.at("version").integer();
    if (version > format_version)
        throw Error(say("the file was written by a newer Yemvo (format %1, this one reads up to %2)", version,
                        format_version),
                    std::string(outline_entry), say("Open it with that version"));
    if (version < 1) r.at("version").fail(say("is no version of the format"));
    return version;
}

class FileReading {
public:
    FileReading(const PartSource& source, bool tolerant) : source_(source) { reading_.tolerant = tolerant; }

    ReadProject run() {
        Json told;
        const std::vector<LargeList> large = large_lists_of_whole();
        source_.stream(outline_entry, [&](std::istream& in) {
            told = parse_json(in, std::string(outline_entry) + ": ", said_mark(remedy), &reading_, large);
        });
        known_.insert(outline_entry);
        const Reader r(told, std::string(outline_entry) + ": ", &reading_);
        const int version = check_format(r);
        ReadProject read;
        read.project.demand = standard_demand();  // where the file says nothing of it
        if (told.contains("part")) {
            read_outline(r, read.project, own_entries());
            for (const auto& kind : project_parts()) from_entry(entry_of(kind), kind, read.project);
            note_unknown_entries();
        } else {
            bring_up_to_date(told, version, reading_);
            const auto versions = r.find("parts");
            const Json* parts = versions ? &versions->value() : nullptr;
            read_outline(r, read.project, inside_the_outline(parts));
            for (const auto& kind : project_parts()) from_inside(r, parts, kind, read.project);
        }
        mend(read.project);
        read.aside = std::move(reading_.aside);
        return read;
    }

private:
    Contents own_entries() {
        return {[this](const Reader&, Floor& f) {
                    for (const auto& kind : floor_parts()) from_entry(entry_of(kind, f.id), kind, f);
                },
                [this](const Reader&, VariantId variant, FloorId floor, AccessPointList& list) {
                    for (const auto& kind : placed_parts())
                        from_entry(entry_of(kind, variant, floor), kind, list);
                }};
    }

    static Contents inside_the_outline(const Json* versions) {
        return {[versions](const Reader& told, Floor& f) {
                    for (const auto& kind : floor_parts()) from_inside(told, versions, kind, f);
                },
                [versions](const Reader& told, VariantId, FloorId, AccessPointList& list) {
                    for (const auto& kind : placed_parts()) from_inside(told, versions, kind, list);
                }};
    }

    template <class Owner>
    void from_entry(const std::string& entry, const PartKind<Owner>& kind, Owner& owner) {
        known_.insert(entry);
        try {
            read_entry(entry, kind, owner);
        } catch (const Error& fault) {
            if (!reading_.tolerant) throw;
            reading_.set_aside_text(
                {fault.summary(), fault.where().empty() ? Said(entry) : fault.where(), fault.remedy()},
                raw_text(entry));
        }
        reading_.lists.clear();
    }

    template <class Owner>
    void read_entry(const std::string& entry, const PartKind<Owner>& kind, Owner& owner) {
        if (!source_.has(entry)) {
            if (kind.is_empty) return;
            throw Error(say("is missing in the file"), entry, said_mark(remedy));
        }
        Json json;
        const std::vector<LargeList> large = kind.large ? kind.large("") : std::vector<LargeList>();
        source_.stream(entry, [&](std::istream& in) {
            json = parse_json(in, entry + ": ", said_mark(remedy), &reading_, large);
        });
        const Reader r(json, entry + ": ", &reading_);
        if (r.at("part").text() != kind.key) r.at("part").fail(say("is not '%1'", std::string(kind.key)));
        read_part(r, r.at("version").integer(), kind, owner);
    }

    /// What a part that cannot be read says, as far as it is text and not large.
    std::string raw_text(const std::string& entry) const {
        constexpr std::size_t most = 1'000'000;
        if (!source_.has(entry)) return {};
        try {
            std::string text(most + 1, '\0');
            source_.stream(entry, [&](std::istream& in) {
                in.read(text.data(), static_cast<std::streamsize>(text.size()));
                text.resize(static_cast<std::size_t>(in.gcount()));
            });
            return text.size() <= most && text_length(text) ? text : std::string();
        } catch (const Error&) {
            return {};  // its bytes are damaged: that is the reason which is told
        }
    }

    void note_unknown_entries() {
        for (const std::string& name : source_.names())
            if (!known_.contains(name) && !name.starts_with(asset_prefix)) {
                const Error fault(say("is no part that this project speaks of"), shortened(name, 200),
                                  said_mark(remedy));
                if (!reading_.tolerant) throw fault;
                reading_.set_aside_text(fault, raw_text(name));
            }
    }

    void mend(Project& p) {
        try {
            check_references(p);
        } catch (const Error&) {
            if (!reading_.tolerant) throw;
            mend_references(p, reading_.aside);
            check_references(p);
        }
    }

    const PartSource& source_;
    Reading reading_;
    std::set<std::string> known_;
};

}  // namespace

ReadProject read_project(const PartSource& source, bool tolerant) {
    return FileReading(source, tolerant).run();
}

void read_assets(const PartSource& source, Project& project) {
    for (const std::string& entry : source.names()) {
        if (!entry.starts_with(asset_prefix)) continue;
        try {
            project.assets[entry.substr(asset_prefix.size())] = Shared<Bytes>(source.read(entry));
        } catch (const Error&) {
            // a drawing without its bytes is told where drawings are
        }
    }
}

Project with_aside(ReadProject read) {
    if (!read.aside.empty()) {
        auto& aside = read.project.aside.edit();
        std::move(read.aside.begin(), read.aside.end(), std::back_inserter(aside));
    }
    return std::move(read.project);
}

}  // namespace yemvo

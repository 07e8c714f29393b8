// SPDX-License-Identifier: GPL-3.0-or-later
// Everything that is handed over as files, of which some or all go into a folder.
#pragma once
#include <filesystem>
#include <functional>
#include <span>
#include <string>

#include "handover/facts.h"

namespace yemvo {

/// A kind of file: of the whole site, or one a floor.
struct FileKind {
    const char* key;     ///< of `--kind`: "tables", "workbook", "dxf"
    const char* ending;  ///< ".csv"
    const char* what;    ///< marked: one line
};
/// Those that the core writes.
std::span<const FileKind> file_kinds();

struct HandoverFile {
    std::string name;  ///< "cables.csv", "first-floor.dxf"
    std::function<std::string()> bytes;
};
/// The files of a kind; empty for one that is not known.
std::vector<HandoverFile> handover_files(const HandoverFacts&, std::string_view kind);

/// "first-floor": small letters, figures and hyphens, unlike all of `taken`, to which it is added. Letters of
/// other scripts stay.
std::string file_stem(const std::string& title, std::vector<std::string>& taken);

/// Makes the folder where it is not there, and looks whether it may be written into. Throws Error naming it.
void look_at_folder(const std::filesystem::path&);

/// Writes all files into a folder that is made where it is not there; files of the same names are replaced
/// one by one, each only once it is whole. Looks first whether the folder may be written. Throws Error naming
/// the file, and Cancelled. Gives how many were written.
std::size_t write_files(const std::filesystem::path& folder, const std::vector<HandoverFile>&,
                        const CancelToken& = {}, const std::function<void(double)>& progress = {});

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
// The sections that a report may have. One that is new is a function and a line in sections.cpp.
#pragma once
#include <span>

#include "render/report/blocks.h"
#include "render/report/facts.h"

namespace yemvo::render::report {

/// For whom a section is meant.
enum class Reader { customer, installer };

struct SectionInfo {
    const char* key;    ///< in files
    const char* title;  ///< marked
    const char* what;   ///< marked: what it holds, one line
    Reader reader;
    std::vector<Part> (*make)(const ReportFacts&);  ///< without parts where it would hold nothing
};
std::span<const SectionInfo> section_infos();

/// Every section there is in the order chosen, those of the customer on where nothing was chosen yet.
std::vector<ReportSection> sections_of(const ReportChoice&);
bool is_chosen(const ReportChoice&, std::string_view section);
/// The sections for one reader on, all others off.
void choose_for(ReportChoice&, Reader);

/// What stands in the way of it, or will not be as wished: told before anything is made.
struct ReportFault {
    Said what;
    bool stops = false;
};
std::vector<ReportFault> report_faults(const Project&);

/// Throws Error where report_faults has something that stops it.
Report make_report(const ReportFacts&);

/// What texts of the project's own may hold.
struct Placeholder {
    const char* key;   ///< "{customer}"
    const char* what;  ///< marked
};
std::span<const Placeholder> report_placeholders();
/// With its placeholders filled in.
QString filled(const std::string&, const ReportFacts&);
/// "1 March 2026", in the desktop's language; the text itself where it is no day.
QString day_text(const std::string& day);

QSizeF paper_mm(const std::string& name);
/// Names of paper, small to large.
std::vector<std::string> text_papers();
std::vector<std::string> sheet_papers();

namespace section {
std::vector<Part> cover(const ReportFacts&);
std::vector<Part> words(const ReportFacts&);
std::vector<Part> summary(const ReportFacts&);
std::vector<Part> assumptions(const ReportFacts&);
std::vector<Part> plans(const ReportFacts&);
std::vector<Part> maps(const ReportFacts&);
std::vector<Part> heights(const ReportFacts&);
std::vector<Part> radios(const ReportFacts&);
std::vector<Part> spectrum(const ReportFacts&);
std::vector<Part> capacity(const ReportFacts&);
std::vector<Part> findings(const ReportFacts&);
std::vector<Part> cables(const ReportFacts&);
std::vector<Part> bill(const ReportFacts&);
std::vector<Part> walk(const ReportFacts&);
std::vector<Part> access_points(const ReportFacts&);
std::vector<Part> labels(const ReportFacts&);
}  // namespace section

}  // namespace yemvo::render::report

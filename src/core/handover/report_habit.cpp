// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/report_habit.h"

#include <nlohmann/json.hpp>

#include "project/json_handover.h"
#include "project/json_parse.h"
#include "project/library_file.h"

namespace yemvo {

static constexpr const char* format_name = "yemvo-report";

std::string habit_to_text(const ReportChoice& choice) {
    ReportChoice kept = choice;
    kept.title = kept.customer = kept.logo = {};
    kept.revision = ReportChoice().revision;
    const Json json{{"format", format_name}, {"version", 1}, {"report", write_report_choice(kept)}};
    return json.dump(1) + "\n";
}

void take_habit(ReportChoice& into, std::string_view text, const std::string& file) {
    const Json json = parse_json(text, file, say("Choose a file of a report that Yemvo wrote"));
    const Reader r(json, file + ": ");
    check_library_file(r, format_name, file);
    ReportChoice taken = read_report_choice(r.at("report"));
    taken.title = into.title;
    taken.customer = into.customer;
    taken.revision = into.revision;
    taken.logo = into.logo;
    into = std::move(taken);
}

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/sections.h"

#include <QDate>
#include <QImage>
#include <QLocale>

#include "base/error.h"
#include "render/report/print_image.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

constexpr SectionInfo infos[] = {
    {"cover", mark("Cover"), mark("title, customer, revision, the site in section"), Reader::customer,
     section::cover},
    {"words", mark("Own words"), mark("what you write yourself"), Reader::customer, section::words},
    {"summary", mark("Summary"), mark("the verdict, and what was required"), Reader::customer,
     section::summary},
    {"assumptions", mark("Assumptions"), mark("materials, clients, busy hours, accuracy"), Reader::customer,
     section::assumptions},
    {"plans", mark("Plans"), mark("every floor to scale with its access points"), Reader::customer,
     section::plans},
    {"maps", mark("Maps"), mark("the chosen maps of every floor"), Reader::customer, section::maps},
    {"heights", mark("Section"), mark("storeys, heights and access points from the side"), Reader::customer,
     section::heights},
    {"radios", mark("Radio schedule"), mark("channel, width and power of every radio"), Reader::customer,
     section::radios},
    {"spectrum", mark("Spectrum"), mark("which channels are in use"), Reader::customer, section::spectrum},
    {"capacity", mark("Capacity"), mark("what is asked and carried at each busy hour"), Reader::customer,
     section::capacity},
    {"findings", mark("Findings"), mark("what the checks found, and why it was accepted"), Reader::customer,
     section::findings},
    {"cables", mark("Cables"), mark("lengths, closets, ports and watts"), Reader::customer, section::cables},
    {"bill", mark("Bill of materials"), mark("all that is to be bought"), Reader::customer, section::bill},
    {"walk", mark("Walk order"), mark("a round through every floor, access point by access point"),
     Reader::installer, section::walk},
    {"sheets", mark("Access point sheets"), mark("a page each: where, how high, which cable, which channel"),
     Reader::installer, section::access_points},
    {"labels", mark("Labels"), mark("to print and stick on, with QR codes"), Reader::installer,
     section::labels},
};

const SectionInfo* find(std::string_view key) {
    for (const SectionInfo& s : infos)
        if (s.key == key) return &s;
    return nullptr;
}

struct Paper {
    const char* name;
    double width, height;
    bool text;  ///< also for pages with text
};
constexpr Paper papers[] = {{"A4", 210, 297, true},  {"Letter", 215.9, 279.4, true},
                            {"A3", 297, 420, false}, {"Tabloid", 279.4, 431.8, false},
                            {"A2", 420, 594, false}, {"A1", 594, 841, false},
                            {"A0", 841, 1189, false}};

QString foot_of(const ReportFacts& facts) {
    const QString revision = filled(facts.choice().revision, facts);
    const QString day = day_text(facts.plan.day);
    return revision.isEmpty() ? day : tr("Revision %1, %2").arg(revision, day);
}

}  // namespace

std::span<const SectionInfo> section_infos() { return infos; }

std::vector<ReportSection> sections_of(const ReportChoice& choice) {
    std::vector<ReportSection> all;
    for (const ReportSection& s : choice.sections)
        if (find(s.key) && std::ranges::find(all, s.key, &ReportSection::key) == all.end()) all.push_back(s);
    for (const SectionInfo& s : infos)
        if (std::ranges::find(all, s.key, &ReportSection::key) == all.end())
            all.push_back({s.key, choice.sections.empty() && s.reader == Reader::customer});
    return all;
}

bool is_chosen(const ReportChoice& choice, std::string_view section) {
    const auto all = sections_of(choice);
    const auto found = std::ranges::find(all, section, &ReportSection::key);
    return found != all.end() && found->on;
}

void choose_for(ReportChoice& choice, Reader reader) {
    choice.sections = sections_of(choice);
    for (ReportSection& s : choice.sections) s.on = find(s.key)->reader == reader;
}

std::vector<ReportFault> report_faults(const Project& project) {
    const ReportChoice& choice = project.handover.report;
    std::vector<ReportFault> faults;
    if (!printing_fonts_there())
        faults.push_back(
            {say("No font is installed that texts can be set in. Install fonts-open-sans"), true});
    const auto all = sections_of(choice);
    if (std::ranges::none_of(all, &ReportSection::on))
        faults.push_back({say("No section is chosen. Tick at least one"), true});
    const bool to_scale =
        is_chosen(choice, "plans") || is_chosen(choice, "maps") || is_chosen(choice, "sheets");
    for (const Floor* f : all_floors(project))
        if (to_scale && needs_scale(*f))
            faults.push_back(
                {say("%1 lies on a drawing without a scale, so that no plan of it can be to scale. "
                     "Give it one, or leave out plans, maps and sheets",
                     floor_title(project, *f)),
                 true});
    if (!choice.logo.empty() && !is_picture(project, choice.logo))
        faults.push_back(
            {say("The logo %1 is no picture that can be read. Choose another", choice.logo), true});
    if (is_chosen(choice, "maps") && report_maps(project).empty())
        faults.push_back({say("There are no maps: no radio is on")});
    return faults;
}

Report make_report(const ReportFacts& facts) {
    for (const ReportFault& fault : report_faults(facts.project()))
        if (fault.stops) throw Error(fault.what);
    const ReportChoice& choice = facts.choice();
    Report report;
    report.site = QString::fromStdString(facts.project().name);
    report.title = choice.title.empty() ? report.site : filled(choice.title, facts);
    report.customer = filled(choice.customer, facts);
    report.author = filled(choice.author, facts);
    report.foot = foot_of(facts);
    report.paper_mm = paper_mm(choice.paper);
    for (const ReportSection& s : sections_of(choice))
        if (s.on)
            for (Part& part : find(s.key)->make(facts)) report.parts.push_back(std::move(part));
    return report;
}

std::span<const Placeholder> report_placeholders() {
    static constexpr Placeholder all[] = {{"{site}", mark("name of the project")},
                                          {"{customer}", mark("name of the customer")},
                                          {"{author}", mark("who made the plan")},
                                          {"{revision}", mark("revision")},
                                          {"{date}", mark("day on which the report is made")},
                                          {"{access-points}", mark("how many access points there are")},
                                          {"{floors}", mark("how many floors there are")},
                                          {"{verdict}", mark("whether all requirements are met")}};
    return all;
}

QString filled(const std::string& text, const ReportFacts& facts) {
    const ReportChoice& choice = facts.choice();
    const Project& project = facts.project();
    const std::pair<const char*, QString> values[] = {
        {"{date}", day_text(facts.plan.day)},
        {"{access-points}", QString::number(placed_access_points(project).size())},
        {"{floors}", QString::number(all_floors(project).size())},
        {"{verdict}",
         facts.plan.verdict.met() ? tr("all requirements are met") : tr("not every requirement is met")},
        {"{revision}", QString::fromStdString(choice.revision)},
        {"{author}", QString::fromStdString(choice.author)},
        {"{customer}", QString::fromStdString(choice.customer)},
        {"{site}", QString::fromStdString(project.name)}};
    QString out;
    const QString from = QString::fromStdString(text);
    for (qsizetype i = 0; i < from.size();) {
        const auto hit = std::ranges::find_if(values, [&](const auto& v) {
            return QStringView(from).mid(i).startsWith(QLatin1String(v.first));
        });
        if (hit == std::end(values)) {
            out += from[i++];
        } else {
            out += hit->second;
            i += static_cast<qsizetype>(std::strlen(hit->first));
        }
    }
    return out;
}

QString day_text(const std::string& day) {
    const QDate date = QDate::fromString(QString::fromStdString(day), Qt::ISODate);
    return date.isValid() ? QLocale().toString(date, tr("d MMMM yyyy")) : QString::fromStdString(day);
}

QSizeF paper_mm(const std::string& name) {
    for (const Paper& p : papers)
        if (p.name == name) return {p.width, p.height};
    return {210, 297};
}

std::vector<std::string> text_papers() {
    std::vector<std::string> names;
    for (const Paper& p : papers)
        if (p.text) names.emplace_back(p.name);
    return names;
}

std::vector<std::string> sheet_papers() {
    std::vector<std::string> names;
    for (const Paper& p : papers) names.emplace_back(p.name);
    return names;
}

}  // namespace yemvo::render::report

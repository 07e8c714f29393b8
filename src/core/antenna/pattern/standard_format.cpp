// SPDX-License-Identifier: GPL-3.0-or-later
// NSMA WG16.99.050 / TIA-804-B, "recommended standard for digitised antenna patterns": one record a line,
// KEYWORD:,value, and data lines angle,magnitude,phase. Read with tolerance: any case and order, missing
// keywords, counts that do not hold.
#include "antenna/pattern/standard_format.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "antenna/pattern/text_rows.h"
#include "base/number_text.h"

namespace yemvo::pattern_text {
namespace {

struct Record {
    std::string key;         ///< upper case, without its colon
    std::string_view value;  ///< trimmed of blanks and commas
};

/// None where the line is no record.
std::optional<Record> record_of(std::string_view line) {
    std::size_t end = 0;
    while (end < line.size() && (std::isalnum(static_cast<unsigned char>(line[end])) || line[end] == '_'))
        ++end;
    if (end < 3 || end > 10 || !std::isalpha(static_cast<unsigned char>(line.front()))) return std::nullopt;
    std::string_view rest = trimmed(line.substr(end));
    if (!rest.empty() && rest.front() != ':' && rest.front() != ',') return std::nullopt;
    while (!rest.empty() && (rest.front() == ':' || rest.front() == ',' || rest.front() == ' '))
        rest.remove_prefix(1);
    while (!rest.empty() && (rest.back() == ',' || rest.back() == ' ')) rest.remove_suffix(1);
    return Record{upper(line.substr(0, end)), trimmed(rest)};
}

CutRole role_of(std::string_view value) {
    const std::string word = upper(value);
    if (word.starts_with("H") || word.starts_with("AZ")) return CutRole::azimuth;
    if (word.starts_with("V") || word.starts_with("EL")) return CutRole::elevation;
    return CutRole::unused;
}

bool is_cross_polar(std::string_view value) {
    const auto slash = value.find('/');
    return slash != std::string_view::npos &&
           upper(trimmed(value.substr(0, slash))) != upper(trimmed(value.substr(slash + 1)));
}

class Reading {
public:
    Reading(std::string_view text, const std::string& name, const PatternWishes& wishes)
        : rows_(rows_of(text)), name_(name), wishes_(wishes) {}

    PatternFile run() {
        for (const Row& row : rows_) {
            if (row.text.empty()) continue;
            if (begins_with_number(row.text))
                data(row);
            else if (const auto record = record_of(row.text)) {
                if (record->key == "ENDFIL") break;
                take(*record, row.line);
            }
        }
        end_cut();
        tell_file();
        Meaning meaning = meaning_of();
        meaning.elevation_runs_down = wishes_.elevation_runs_down.value_or(is_upside_down(meaning));
        assemble(std::move(cuts_), meaning, gain(), name_, file_);
        return std::move(file_);
    }

private:
    double number(const std::string& key) const {
        const auto found = head_.find(key);
        return found == head_.end() ? NAN : read_number(found->second).value_or(NAN);
    }

    void take(const Record& r, std::size_t line) {
        if (r.key == "PATFRE") {
            end_cut();
            frequency_mhz_ = read_number(std::string(r.value)).value_or(0);
        } else if (r.key == "PATCUT") {
            end_cut();
            begin_cut(r, line);
            if (cut_.role == CutRole::unused)
                file_.warnings.push_back(
                    say("the cut '%1' is none of azimuth and elevation: it is left out", r.value));
        } else if (r.key == "POLARI") {
            cross_polar_ = is_cross_polar(r.value);
        } else if (r.key == "NUPOIN") {
            expected_ = read_number(std::string(r.value)).value_or(0);
        } else if (r.key == "FSTLST") {
            const auto ends = numbers_of(r.value);
            if (ends.size() == 2) first_deg_ = ends[0], last_deg_ = ends[1];
        } else {
            head_.emplace(r.key, std::string(r.value));
        }
    }

    /// "EL", for one beside the main cut "EL,45"; an angle alone is that of an elevation cut's azimuth.
    void begin_cut(const Record& r, std::size_t line) {
        const auto comma = r.value.find(',');
        cut_ = {role_of(r.value), frequency_mhz_, {}, line};
        if (cut_.role != CutRole::unused) {
            if (comma == std::string_view::npos) return;
            const std::string place(trimmed(r.value.substr(comma + 1)));
            const auto at_deg = read_number(place);
            if (!at_deg && place.find_first_not_of(", ") != std::string::npos)
                file_.warnings.push_back(
                    say("'%1' is no angle of a cut: it is taken for a main one", place.substr(0, 40)));
            cut_.at_deg = at_deg.value_or(0);
        } else if (const auto angle = read_number(std::string(trimmed(r.value)))) {
            cut_.role = CutRole::elevation;
            cut_.at_deg = *angle;
            file_.warnings.push_back(say("the cut '%1' is taken for the elevation at that azimuth", r.value));
        }
    }

    void data(const Row& row) {
        const auto numbers = numbers_of(row.text);
        if (numbers.empty())
            throw Error(say("'%1' is no row of a pattern", row.text.substr(0, 40)),
                        say("%1, line %2", name_, row.line),
                        say("A row is angle, dB and phase, or angle and dB"));
        if (numbers.size() == 1)
            cut_.samples.push_back({NAN, numbers[0], row.line});
        else
            cut_.samples.push_back({numbers[0], numbers[1], row.line});
    }

    /// Values that stand without their angle get it from the first and last that are told.
    void give_angles() {
        if (cut_.samples.size() < 2 || !std::isnan(cut_.samples.front().angle_deg)) return;
        const double n = static_cast<double>(cut_.samples.size());
        double angle = first_deg_;
        const double step = last_deg_ > first_deg_ ? (last_deg_ - first_deg_) / (n - 1) : 360 / n;
        for (Sample& s : cut_.samples) {
            s.angle_deg = angle;
            angle += step;
        }
    }

    void end_cut() {
        if (cut_.samples.empty()) return reset();
        if (expected_ > 0 && expected_ != static_cast<double>(cut_.samples.size()))
            file_.warnings.push_back(say("a cut is told to have %1 rows and has %2",
                                         said_figure(expected_, 0), cut_.samples.size()));
        give_angles();
        if (cross_polar_)
            ++cross_polar_cuts_;
        else
            cuts_.push_back(std::move(cut_));
        reset();
    }

    void reset() {
        cut_ = {};
        expected_ = 0;
        first_deg_ = last_deg_ = 0;
        cross_polar_ = false;
    }

    void tell_file() {
        if (cross_polar_cuts_ > 0)
            file_.warnings.push_back(say_counted("%n cross-polar cut is left out",
                                                 "%n cross-polar cuts are left out", cross_polar_cuts_));
        file_.format = PatternFormat::standard;
        file_.name = head_["MODNUM"];
        for (const char* key :
             {"ANTMAN", "DESCR1", "DESCR2", "DESCR3", "DESCR4", "DESCR5", "COMNT1", "COMNT2"})
            if (const auto found = head_.find(key); found != head_.end() && !found->second.empty())
                file_.about += (file_.about.empty() ? "" : "; ") + found->second;
        double middle_mhz = (number("LOWFRQ") + number("HGHFRQ")) / 2;
        if (!std::isfinite(middle_mhz)) middle_mhz = 0;
        if (wishes_.frequency_mhz) middle_mhz = *wishes_.frequency_mhz;
        for (RawCut& c : cuts_)
            if (c.frequency_mhz == 0) c.frequency_mhz = middle_mhz;
    }

    std::pair<std::string, std::string> units() const {
        const auto found = head_.find("GUNITS");
        const std::string both = found == head_.end() ? "DBI/DBR" : upper(found->second);
        const auto slash = both.find('/');
        return {both.substr(0, slash), slash == std::string::npos ? "DBR" : both.substr(slash + 1)};
    }

    Meaning meaning_of() {
        Meaning m;
        const std::string pattern_unit = units().second;
        if (pattern_unit.starts_with("LIN")) {
            file_.warnings.push_back(say("values are linear: they are taken as power"));
            for (RawCut& c : cuts_)
                for (Sample& s : c.samples) s.value = 10 * std::log10(std::max(s.value, 1e-9));
        }
        m.absolute = pattern_unit.starts_with("DBI") || pattern_unit.starts_with("DBD");
        m.attenuation = wishes_.attenuation.value_or(!m.absolute && looks_like_attenuation(cuts_));
        m.azimuth_runs_left = wishes_.azimuth_runs_left.value_or(false);
        return m;
    }

    std::optional<double> gain() {
        if (wishes_.gain_dbi) return wishes_.gain_dbi;
        const auto [gain_unit, pattern_unit] = units();
        const bool dbd = wishes_.gain_in_dbd.value_or(gain_unit.starts_with("DBD"));
        // absolute values carry the gain themselves
        if (pattern_unit.starts_with("DBI")) return 0;
        if (pattern_unit.starts_with("DBD")) return dipole_gain_dbi;
        double told = number("MDGAIN");
        if (std::isnan(told)) told = (number("LWGAIN") + number("HGGAIN")) / 2;
        if (std::isnan(told)) told = number("LWGAIN");
        if (std::isnan(told)) told = number("HGGAIN");
        if (std::isnan(told)) return std::nullopt;
        if (gain_unit.starts_with("LIN")) told = 10 * std::log10(std::max(told, 1e-9));
        return told + (dbd ? dipole_gain_dbi : 0);
    }

    /// The sign of the elevation is not told: a beam that is tilted down must look down.
    bool is_upside_down(const Meaning& meaning) {
        const double tilt_deg = number("ELTILT");
        if (!(std::abs(tilt_deg) >= 2)) return false;
        for (const RawCut& c : cuts_) {
            if (c.role != CutRole::elevation || c.samples.empty()) continue;
            const auto peak = std::ranges::max_element(
                c.samples, {}, [&](const Sample& s) { return meaning.attenuation ? -s.value : s.value; });
            const double at_deg = std::remainder(peak->angle_deg, 360);
            // as told it looks down by the tilt; turned over it would look up by as much
            const bool turned = std::abs(at_deg - tilt_deg) + 0.5 < std::abs(at_deg + tilt_deg);
            if (turned)
                file_.warnings.push_back(
                    say("the elevation is turned over: its beam is told to look down by %1°",
                        said_figure(tilt_deg, 0)));
            return turned;
        }
        return false;
    }

    std::vector<Row> rows_;
    const std::string& name_;
    const PatternWishes& wishes_;
    PatternFile file_;
    std::map<std::string, std::string> head_;
    std::vector<RawCut> cuts_;
    RawCut cut_;
    double frequency_mhz_ = 0, expected_ = 0, first_deg_ = 0, last_deg_ = 0;
    bool cross_polar_ = false;
    std::size_t cross_polar_cuts_ = 0;
};

}  // namespace

bool is_standard_format(std::string_view text) {
    for (const Row& row : rows_of(text.substr(0, 20'000)))
        if (const auto record = record_of(row.text))
            for (const char* key : {"REVNUM", "PATCUT", "PATFRE", "NUPOIN", "GUNITS"})
                if (record->key == key) return true;
    return false;
}

PatternFile read_standard_format(std::string_view text, const std::string& name,
                                 const PatternWishes& wishes) {
    return Reading(text, name, wishes).run();
}

}  // namespace yemvo::pattern_text

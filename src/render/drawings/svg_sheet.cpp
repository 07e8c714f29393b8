// SPDX-License-Identifier: GPL-3.0-or-later
#include <QRegularExpression>
#include <QSvgRenderer>
#include <QXmlStreamReader>
#include <QXmlStreamWriter>
#include <algorithm>
#include <map>
#include <set>

#include "render/drawings/sheet.h"

namespace yemvo::render {
namespace {

constexpr int deepest_nesting = 100;
constexpr std::size_t most_elements = 400'000, most_uses = 20'000;
constexpr qsizetype most_bytes = 100'000'000;
const QString link_space = QStringLiteral("http://www.w3.org/1999/xlink");

/// Copies an SVG text without what is dangerous or not painted. Source: SVG Tiny 1.2, which the painter keeps
/// to; of what it lacks the names are told.
class Cleaner {
public:
    Cleaner(const Bytes& bytes, const std::string& name)
        : in_(QByteArray(reinterpret_cast<const char*>(bytes.data()), static_cast<qsizetype>(bytes.size()))),
          out_(&clean_.text),
          name_(name) {
        in_.setEntityExpansionLimit(1000);
    }

    CleanSvg clean() {
        while (!in_.atEnd()) {
            in_.readNext();
            if (in_.isDTD() && in_.text().contains(QLatin1String("<!ENTITY")))
                note(say("entity definitions"), say("they are not followed"));
            else if (in_.isStartElement())
                element();
            else if (in_.isEndElement())
                end_element();
            else if (in_.isCharacters() && skipped_depth_ == 0 && depth_ > 0 && !in_.isWhitespace())
                out_.writeCharacters(in_style_ ? safe_style(in_.text().toString()) : in_.text().toString());
            else if (in_.isCharacters() && skipped_depth_ == 0 && depth_ > 0)
                out_.writeCharacters(QStringLiteral(" "));
            if (clean_.text.size() > most_bytes) too_large();
        }
        if (in_.hasError()) finish_broken();
        if (!seen_svg_) throw Error(say("is no SVG drawing"), name_, say("Choose an SVG file"));
        check_uses();
        for (const auto& [words, note] : notes_)
            clean_.left_out.push_back(say("%1 x %2", note.second, note.first));
        return std::move(clean_);
    }

private:
    [[noreturn]] void too_large() const {
        throw Error(say("has more in it than can be shown"), name_, say("Export a simpler drawing"));
    }

    void note(const Said& what, const Said& why) {
        auto& [said, count] = notes_[what.english() + ": " + why.english()];
        said = said_joined(": ", what, why);
        ++count;
    }

    void finish_broken() {
        if (!seen_svg_ || elements_ < 2)
            throw Error(say("is damaged (line %1: %2)", in_.lineNumber(), in_.errorString().toStdString()),
                        name_, say("Export the drawing again"));
        note(say("all from line %1 on", in_.lineNumber()), in_.errorString().toStdString());
        while (depth_-- > 0) out_.writeEndElement();
    }

    void element() {
        const QString tag = in_.name().toString();
        if (!seen_svg_) {
            if (tag != QLatin1String("svg"))
                throw Error(say("is no SVG drawing"), name_, say("Choose an SVG file"));
            seen_svg_ = true;
        }
        if (++elements_ > most_elements) too_large();
        if (skipped_depth_ > 0 || !wanted(tag)) {
            ++skipped_depth_;
            return;
        }
        if (++depth_ > deepest_nesting)
            throw Error(say("is nested deeper than any drawing needs"), name_,
                        say("Export a simpler drawing"));
        in_style_ = tag == QLatin1String("style");
        out_.writeStartElement(tag);
        if (depth_ == 1) {
            out_.writeAttribute(QStringLiteral("xmlns"), QStringLiteral("http://www.w3.org/2000/svg"));
            out_.writeAttribute(QStringLiteral("xmlns:xlink"), link_space);
        }
        attributes(tag);
    }

    void end_element() {
        if (skipped_depth_ > 0) {
            --skipped_depth_;
            return;
        }
        --depth_;
        in_style_ = false;
        ids_.resize(std::min<std::size_t>(ids_.size(), static_cast<std::size_t>(depth_)));
        out_.writeEndElement();
    }

    /// Style rules without anything that would be fetched.
    static QString safe_style(QString css) {
        static const QRegularExpression imports("@import[^;]*(;|$)"),
            outside("url\\(\\s*['\"]?[^#)'\"][^)]*\\)");
        return css.remove(imports).remove(outside);
    }

    bool wanted(const QString& tag) {
        static const std::set<QString> not_painted{"symbol", "pattern",       "clipPath", "mask",
                                                   "filter", "foreignObject", "marker"};
        static const std::set<QString> dropped{"script",        "animate",      "animateTransform",
                                               "animateMotion", "animateColor", "set",
                                               "metadata",      "title",        "desc",
                                               "audio",         "video",        "handler",
                                               "listener",      "namedview"};
        if (not_painted.count(tag)) {
            note(tag.toStdString(), say("not drawn"));
            return false;
        }
        if (tag == QLatin1String("image") && !link().startsWith(QLatin1String("data:"))) {
            note(say("picture in another file"), say("references are never followed"));
            return false;
        }
        if (tag == QLatin1String("use") && (!link().startsWith(QLatin1Char('#')))) {
            note(say("part of another file"), say("references are never followed"));
            return false;
        }
        return !dropped.count(tag) && !tag.startsWith(QLatin1String("font"));
    }

    QString link() const {
        const auto a = in_.attributes();
        return a.hasAttribute(link_space, QStringLiteral("href"))
                   ? a.value(link_space, QStringLiteral("href")).toString().trimmed()
                   : a.value(QLatin1String("href")).toString().trimmed();
    }

    void attributes(const QString& tag) {
        QString id;
        for (const QXmlStreamAttribute& a : in_.attributes()) {
            const QString key = a.name().toString(), value = a.value().toString();
            if (key == QLatin1String("href")) continue;
            if (key.startsWith(QLatin1String("on"))) continue;
            if (key == QLatin1String("clip-path") || key == QLatin1String("mask") ||
                key == QLatin1String("filter")) {
                note(key.toStdString(), say("not applied: more may show than was meant"));
                continue;
            }
            if (value.contains(QLatin1String("url(")) && !value.contains(QLatin1String("url(#"))) continue;
            if (key == QLatin1String("id")) id = value;
            if (!a.namespaceUri().isEmpty() && a.namespaceUri() != link_space) continue;
            out_.writeAttribute(key, value);
        }
        ids_.resize(static_cast<std::size_t>(depth_));
        ids_.back() = id;
        if (tag == QLatin1String("use") || tag == QLatin1String("image"))
            out_.writeAttribute(QStringLiteral("xlink:href"), link());
        if (tag != QLatin1String("use")) {
            for (const QString& around : ids_)
                if (!around.isEmpty()) ++content_[around];
            return;
        }
        const QString target = link().mid(1);
        for (const QString& around : ids_)
            if (!around.isEmpty()) uses_[around].push_back(target);
        top_uses_.push_back(target);
    }

    /// How many elements a reference brings in, all that it refers to counted; a loop is refused.
    std::size_t weight(const QString& id, std::set<QString>& on_the_way) {
        const auto known = weights_.find(id);
        if (known != weights_.end()) return known->second;
        if (!on_the_way.insert(id).second)
            throw Error(say("'%1' refers to itself", id.toStdString()), name_,
                        say("Export the drawing again"));
        if (on_the_way.size() > static_cast<std::size_t>(deepest_nesting))
            throw Error(say("its parts refer to each other too deep"), name_,
                        say("Export a simpler drawing"));
        std::size_t sum = content_[id];
        for (const QString& target : uses_[id]) {
            sum += weight(target, on_the_way);
            if (sum > most_elements) too_large();
        }
        on_the_way.erase(id);
        return weights_[id] = sum;
    }

    void check_uses() {
        if (top_uses_.size() > most_uses) too_large();
        std::size_t sum = elements_;
        for (const QString& target : top_uses_) {
            std::set<QString> on_the_way;
            sum += weight(target, on_the_way);
            if (sum > most_elements) too_large();
        }
        // a loop may also stand where nothing refers to it
        for (const auto& [id, targets] : uses_) {
            std::set<QString> on_the_way;
            weight(id, on_the_way);
        }
    }

    QXmlStreamReader in_;
    CleanSvg clean_;
    QXmlStreamWriter out_;
    std::string name_;
    int depth_ = 0, skipped_depth_ = 0;
    std::size_t elements_ = 0;
    bool seen_svg_ = false, in_style_ = false;
    std::vector<QString> ids_;  ///< of the elements round the present one
    std::map<QString, std::vector<QString>> uses_;
    std::map<QString, std::size_t> content_, weights_;
    std::vector<QString> top_uses_;
    std::map<std::string, std::pair<Said, std::size_t>> notes_;  ///< by its English words
};

/// Sheet coordinates: user units from the upper left corner of the view box.
class SvgSheet : public Sheet {
public:
    SvgSheet(CleanSvg clean, const std::string& name) : left_out_(std::move(clean.left_out)) {
        size_ = static_cast<std::size_t>(clean.text.size());
        if (!renderer_.load(clean.text) || !renderer_.isValid())
            throw Error(say("cannot be drawn"), name, say("Export the drawing again"));
        view_ = renderer_.viewBoxF();
        if (view_.isEmpty()) view_ = QRectF(QPointF(0, 0), QSizeF(renderer_.defaultSize()));
        if (!(view_.width() > 0) || !(view_.height() > 0) || view_.width() > 1e9 || view_.height() > 1e9)
            throw Error(say("has no size that can be shown"), name, say("Give it a view box"));
    }
    Box box() const override { return {{0, 0}, {view_.width(), view_.height()}}; }
    std::size_t bytes() const override { return size_ * 4; }
    std::vector<Said> left_out() const override { return left_out_; }
    void paint(QPainter& p, const QTransform& to_px, const QRectF&, const std::vector<std::string>&,
               const CancelToken&) const override {
        p.setTransform(to_px);
        p.setRenderHint(QPainter::Antialiasing);
        renderer_.render(&p, QRectF(0, 0, view_.width(), view_.height()));
    }

private:
    mutable QSvgRenderer renderer_;
    QRectF view_;
    std::size_t size_ = 0;
    std::vector<Said> left_out_;
};

}  // namespace

CleanSvg clean_svg(const Bytes& bytes, const std::string& name) { return Cleaner(bytes, name).clean(); }

std::shared_ptr<const Sheet> open_svg(const Bytes& bytes, const std::string& name) {
    return std::make_shared<SvgSheet>(clean_svg(bytes, name), name);
}

}  // namespace yemvo::render

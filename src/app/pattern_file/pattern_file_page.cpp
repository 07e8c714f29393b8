// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/pattern_file/pattern_file_page.h"

#include <QComboBox>
#include <QFileInfo>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTextBlock>

#include "app/asking/text_files.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/look/theme.h"
#include "app/pattern/pattern_plots.h"
#include "base/number_text.h"
#include "project/limits.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int most_lines_shown = 4000;

QString first_lines(const std::string& text) {
    std::size_t end = 0;
    int lines = 0;
    while (end < text.size() && lines < most_lines_shown) {
        end = text.find('\n', end);
        end = end == std::string::npos ? text.size() : end + 1;
        ++lines;
    }
    return QString::fromUtf8(text.data(), static_cast<qsizetype>(end));
}

/// The last words before a block: those next to it tell most.
QString words_before(const NumberBlock& block) {
    const QStringList lines = QString::fromStdString(block.heading).split('\n', Qt::SkipEmptyParts);
    return lines.isEmpty() ? QString() : lines.last().trimmed();
}

std::optional<bool> answer(const QComboBox* box) {
    return box->currentIndex() == 0 ? std::nullopt : std::optional(box->currentIndex() == 1);
}

}  // namespace

ReadText read_text(std::string text, const QString& name, PatternWishes wishes) {
    ReadText read{name, std::move(text), {}, {}, {}};
    const auto with = [&](bool fill_missing_cut) {
        wishes.fill_missing_cut = fill_missing_cut;
        return read_pattern(read.text, name.toStdString(), wishes);
    };
    try {
        read.file = with(false);
        if (read.file->format == PatternFormat::table) read.blocks = number_blocks(read.text);
        return read;
    } catch (const Error& fault) {
        read.blocks = number_blocks(read.text);
        if (read.blocks.empty()) throw;
        read.fault = fault_text(fault);
    }
    try {
        read.file = with(true);
        read.fault.clear();
    } catch (const Error&) {
        // what was wrong the first time is told already
    }
    return read;
}

PatternFilePage::PatternFilePage(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace) {
    auto* row = page_body(this, "patternFilePage", make_head());
    text_ = new QPlainTextEdit(this);
    text_->setObjectName("patternText");
    text_->setAccessibleName(tr("The file's text"));
    text_->setReadOnly(true);
    text_->setFrameShape(QFrame::NoFrame);
    text_->setLineWrapMode(QPlainTextEdit::NoWrap);
    text_->setTabChangesFocus(true);
    row->addWidget(text_, 1);
    plots_ = new PatternPlots(this);
    row->addWidget(plots_);
    row->addWidget(make_right());
}

QWidget* PatternFilePage::make_head() {
    const PageHead head = page_head(this);
    title_ = head.title;
    told_ = head.about;
    auto* discard = push_button(tr("Discard"), "discardPattern", tr("Esc"));
    accept_ = push_button(tr("Put into the library"), "main");
    accept_->setProperty("tests", "acceptPattern");
    for (QPushButton* b : {discard, accept_}) head.bar->addWidget(b);
    connect(discard, &QPushButton::clicked, this, &PatternFilePage::left);
    connect(accept_, &QPushButton::clicked, this, &PatternFilePage::accept);
    return head.widget;
}

QComboBox* PatternFilePage::choice(QGridLayout* grid, int row, const QString& words, const char* object,
                                   const QStringList& answers) {
    auto* box = new QComboBox;
    box->setObjectName(object);
    box->addItems(QStringList{tr("as found")} + answers);
    box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    add_row(grid, row, words, box);
    connect(box, &QComboBox::activated, this, &PatternFilePage::read_again);
    return box;
}

QWidget* PatternFilePage::make_right() {
    auto* side = new QWidget;
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(14, 8, 14, 10);
    column->setSpacing(7);
    column->addWidget(group_head(tr("Blocks of numbers")));
    blocks_ = new QGridLayout;
    blocks_->setColumnStretch(0, 1);
    column->addLayout(blocks_);
    column->addWidget(group_head(tr("What they mean")));
    auto* grid = new QGridLayout;
    grid->setVerticalSpacing(5);
    grid->setColumnStretch(1, 1);
    values_ = choice(grid, 0, tr("Values are"), "textValues", {tr("losses, dB"), tr("gains or levels, dB")});
    azimuth_runs_ =
        choice(grid, 1, tr("Azimuth runs"), "textAzimuth", {tr("counter-clockwise"), tr("clockwise")});
    elevation_runs_ = choice(grid, 2, tr("Elevation runs"), "textElevation", {tr("down"), tr("up")});
    unit_ = choice(grid, 3, tr("Stated gain in"), "textUnit", {"dBd", "dBi"});
    grid->addWidget(group_head(tr("Antenna")), 4, 0, 1, 2);
    const auto field = [&](int row, const QString& words, const QString& unit, const char* object,
                           Range range, const std::function<void(std::optional<double>)>& take) {
        auto* f = new UnitField(unit);
        f->setObjectName(object);
        add_row(grid, row, words, f);
        connect(f, &UnitField::confirmed, this, [this, f, unit, range, take](const QString& typed) {
            try {
                const bool none = typed.trimmed().isEmpty();
                take(none ? std::nullopt : std::optional(parse_number(typed, range.low, range.high, unit)));
                f->show_value(typed);
                read_again();
            } catch (const Error& fault) {
                f->show_fault(fault_text(fault));
            }
        });
        return f;
    };
    gain_ = field(5, tr("Gain"), "dBi", "textGain", limits::gain_dbi,
                  [this](std::optional<double> gain_dbi) { typed_gain_dbi_ = gain_dbi; });
    frequency_ = field(6, tr("Frequency"), "MHz", "textFrequency", limits::pattern_frequency_mhz,
                       [](std::optional<double>) {});
    column->addLayout(grid);
    notes_ = new QLabel;
    notes_->setObjectName("textNotes");
    notes_->setWordWrap(true);
    column->addWidget(notes_);
    column->addStretch(1);
    return page_side(this, side, 372);
}

void PatternFilePage::open(const QString& file, double frequency_mhz) {
    frequency_mhz_ = frequency_mhz;
    for (QComboBox* box : {values_, azimuth_runs_, elevation_runs_, unit_}) box->setCurrentIndex(0);
    typed_gain_dbi_.reset();
    gain_->clear();
    frequency_->clear();
    const QString name = QFileInfo(file).fileName();
    behind_.request(job(
        tr("Reading %1").arg(name),
        [file, name](const AtWork&) { return read_text(text_in_file(file), name, {}); },
        [this](ReadText read) { show_text(std::move(read)); },
        [this](const QString& why) { workspace_.tell(why, true); }));
}

void PatternFilePage::show_text(ReadText read) {
    read_ = std::move(read);
    if (read_.blocks.empty()) {
        emit accepted(*read_.file, read_.name);
        read_ = {};
        return;
    }
    title_->setText(read_.name);
    told_->setText(counted("%n block of numbers", "%n blocks of numbers", read_.blocks.size()));
    text_->setPlainText(first_lines(read_.text));
    show_gain();
    if (read_.file && read_.file->cuts.front().frequency_mhz > 0)
        frequency_mhz_ = read_.file->cuts.front().frequency_mhz;
    frequency_->show_value(render::figure(frequency_mhz_));
    rebuild_blocks();
    refresh();
    emit opened();
}

void PatternFilePage::rebuild_blocks() {
    while (QLayoutItem* item = blocks_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    roles_.clear();
    int row = 0;
    for (const NumberBlock& block : read_.blocks) {
        const QString about = words_before(block);
        auto* label = new QLabel(
            tr("Line %1, %2").arg(block.line).arg(counted("%n value", "%n values", block.values_db.size())));
        label->setToolTip(about);
        auto* box = new QComboBox;
        box->setObjectName(QString("textBlock%1").arg(row));
        box->setAccessibleName(label->text());
        box->addItems({tr("not used"), tr("azimuth"), tr("elevation")});
        box->setCurrentIndex(static_cast<int>(block.proposed));
        connect(box, &QComboBox::activated, this, [this, box](int now) {
            // a cut is one block: another one that had this use has none now
            for (QComboBox* other : roles_)
                if (now != 0 && other != box && other->currentIndex() == now) other->setCurrentIndex(0);
            read_again();
        });
        roles_.push_back(box);
        blocks_->addWidget(label, 2 * row, 0);
        blocks_->addWidget(box, 2 * row, 1);
        auto* words = new QLabel(about);
        words->setObjectName("small");
        words->setTextFormat(Qt::PlainText);
        words->setWordWrap(true);
        blocks_->addWidget(words, 2 * row + 1, 0, 1, 2);
        ++row;
    }
}

CutRole PatternFilePage::role(std::size_t block) const {
    return static_cast<CutRole>(roles_[block]->currentIndex());
}

PatternWishes PatternFilePage::wishes() const {
    PatternWishes w;
    w.attenuation = answer(values_);
    w.azimuth_runs_left = answer(azimuth_runs_);
    w.elevation_runs_down = answer(elevation_runs_);
    w.gain_in_dbd = answer(unit_);
    w.gain_dbi = typed_gain_dbi_;
    w.frequency_mhz = read_number(render::plain(frequency_->text()));
    for (std::size_t i = 0; i < roles_.size(); ++i) w.blocks.push_back(role(i));
    return w;
}

void PatternFilePage::read_again() {
    const PatternWishes wanted = wishes();
    behind_.request(job(
        tr("Reading %1").arg(read_.name),
        [text = read_.text, name = read_.name, wanted](const AtWork&) {
            return read_text(text, name, wanted);
        },
        [this](ReadText read) {
            read_.file = std::move(read.file);
            read_.fault = read.fault;
            show_gain();
            refresh();
        },
        [this](const QString& why) { workspace_.tell(why, true); }));
}

/// As the file states it, in dBi; what was typed stays.
void PatternFilePage::show_gain() {
    if (!typed_gain_dbi_ && read_.file)
        gain_->show_value(read_.file->gain_assumed ? QString() : render::figure(read_.file->gain_dbi, 2));
}

/// The rows of each block behind the text, in the tint of what they are used as.
void PatternFilePage::mark_blocks() {
    QList<QTextEdit::ExtraSelection> marks;
    for (std::size_t i = 0; i < read_.blocks.size(); ++i) {
        if (role(i) == CutRole::unused) continue;
        const NumberBlock& block = read_.blocks[i];
        const QTextBlock first = text_->document()->findBlockByNumber(static_cast<int>(block.line) - 1);
        if (!first.isValid()) continue;
        QTextEdit::ExtraSelection mark;
        mark.cursor = QTextCursor(first);
        mark.cursor.movePosition(QTextCursor::NextBlock, QTextCursor::KeepAnchor,
                                 static_cast<int>(block.values_db.size()) - 1);
        mark.cursor.movePosition(QTextCursor::EndOfBlock, QTextCursor::KeepAnchor);
        mark.format.setBackground(role(i) == CutRole::azimuth
                                      ? theme().accent_tint
                                      : render::with_alpha(theme().band(band_24).solid, 0.18));
        mark.format.setProperty(QTextFormat::FullWidthSelection, true);
        marks << mark;
    }
    text_->setExtraSelections(marks);
}

/// What "as found" is.
void PatternFilePage::name_what_was_found() {
    const auto name = [](QComboBox* box, bool first) {
        if (box->currentIndex() == 0)
            box->setItemText(0, tr("as found: %1").arg(box->itemText(first ? 1 : 2)));
    };
    name(values_, read_.file->attenuation);
    name(azimuth_runs_, read_.file->azimuth_runs_left);
    name(elevation_runs_, read_.file->elevation_runs_down);
}

void PatternFilePage::refresh() {
    mark_blocks();
    if (read_.file) name_what_was_found();
    QStringList notes;
    if (!read_.fault.isEmpty()) notes << read_.fault;
    accept_->setEnabled(read_.file.has_value());
    if (read_.file) {
        const PatternCuts& both = read_.file->cuts.front();
        const BandId band = band_near(both.frequency_mhz > 0 ? both.frequency_mhz : frequency_mhz_);
        plots_->show_cuts(both, band);
        const PatternMeasures m = measures(both);
        notes << tr("Efficiency %1 %: %2 dBi of %3 dBi directivity.")
                     .arg(render::figure(100 * std::pow(10, (read_.file->gain_dbi - m.directivity_dbi) / 10)),
                          render::figure(read_.file->gain_dbi, 1), render::figure(m.directivity_dbi, 1));
        for (const Said& s : read_.file->warnings) {
            QString words = said_text(s);
            if (!words.isEmpty()) words[0] = words[0].toUpper();
            notes << words + ".";
        }
    }
    notes_->setText(notes.join("\n\n"));
    dress(notes_, read_.file ? "QLabel { color: @ink; }" : "QLabel { color: @notMet; }");
}

void PatternFilePage::accept() {
    if (!read_.file) return;
    PatternFile file = *read_.file;
    file.warnings.clear();  // they were on the page
    if (file.cuts.front().frequency_mhz <= 0) file.cuts.front().frequency_mhz = frequency_mhz_;
    const QString name = read_.name;  // the page forgets it when it is hidden
    emit accepted(file, name);
}

void PatternFilePage::hideEvent(QHideEvent* e) {
    if (e->spontaneous()) return;  // the window is put away, and comes back
    behind_.stop();
    read_ = {};
    text_->clear();
}

void PatternFilePage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void PatternFilePage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app

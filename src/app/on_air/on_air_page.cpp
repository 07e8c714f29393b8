// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/on_air/on_air_page.h"

#include <QButtonGroup>
#include <QComboBox>
#include <QDateTime>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QLocale>
#include <QPainter>
#include <QPushButton>
#include <QSaveFile>
#include <QSettings>
#include <QTableView>
#include <QToolButton>
#include <algorithm>

#include "app/asking/asking.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/countries.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/next_things.h"
#include "app/model/tool_id.h"
#include "app/on_air/air_board.h"
#include "app/on_air/heard_table.h"
#include "app/on_air/rule_list.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

void HeardFilter::show_band(int band) {
    band_ = band;
    invalidateFilter();
}
void HeardFilter::show_words(const QString& words) {
    words_ = words.trimmed();
    invalidateFilter();
}

bool HeardFilter::filterAcceptsRow(int row, const QModelIndex& parent) const {
    const auto cell = [&](int column, int role = Qt::DisplayRole) {
        return sourceModel()->index(row, column, parent).data(role);
    };
    if (band_ >= 0 && cell(HeardTable::band_column, HeardTable::sort_role).toInt() != band_) return false;
    if (words_.isEmpty()) return true;
    for (int c = 0; c < HeardTable::column_count; ++c)
        if (cell(c).toString().contains(words_, Qt::CaseInsensitive)) return true;
    return false;
}

bool HeardFilter::lessThan(const QModelIndex& a, const QModelIndex& b) const {
    const QVariant x = a.data(HeardTable::sort_role), y = b.data(HeardTable::sort_role);
    return x.typeId() == QMetaType::QString ? x.toString() < y.toString() : x.toDouble() < y.toDouble();
}

OnAirPage::OnAirPage(Workspace& workspace, Asking& asking, QWidget* parent)
    : QWidget(parent), workspace_(workspace), asking_(asking) {
    setObjectName("onAirPage");
    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    rows->addWidget(build_head());
    auto* columns = new QHBoxLayout;
    columns->setSpacing(0);
    rows->addLayout(columns, 1);
    auto* left = new QVBoxLayout;
    left->setSpacing(0);
    columns->addLayout(left, 1);
    left->addWidget(build_filter());
    model_ = new HeardTable(this);
    filter_ = new HeardFilter(this);
    filter_->setSourceModel(model_);
    view_ = new QTableView;
    view_->setObjectName("heard");
    view_->setAccessibleName(tr("What was heard"));
    view_->setModel(filter_);
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setSelectionMode(QAbstractItemView::SingleSelection);
    view_->setSortingEnabled(true);
    view_->setShowGrid(false);
    view_->setFrameShape(QFrame::NoFrame);
    view_->verticalHeader()->hide();
    view_->verticalHeader()->setDefaultSectionSize(21);
    view_->horizontalHeader()->setSectionResizeMode(HeardTable::name, QHeaderView::Stretch);
    view_->horizontalHeader()->setMinimumSectionSize(40);
    constexpr int widths[] = {150, 146, 48, 58, 70, 76, 72, 52, 50, 60, 66};
    // the mark of the sorted column stands over the head, so that the table fits beside the rules
    const QFontMetrics heads(view_->horizontalHeader()->font());
    for (int c = 1; c < HeardTable::column_count; ++c)
        view_->setColumnWidth(
            c, std::max(widths[c], heads.horizontalAdvance(
                                       model_->headerData(c, Qt::Horizontal, Qt::DisplayRole).toString()) +
                                       20));
    left->addWidget(view_, 3);
    empty_ = new QLabel(tr(
        "Open a packet capture, or drop one here: pcap or pcapng, made in monitor mode. It needs no plan."));
    empty_->setObjectName("muted");
    empty_->setAlignment(Qt::AlignCenter);
    left->addWidget(empty_, 3);
    beside_ = new QLabel;
    beside_->setObjectName("muted");
    beside_->setContentsMargins(12, 4, 12, 4);
    beside_->setWordWrap(true);
    left->addWidget(beside_);
    board_ = new AirBoard;
    left->addWidget(board_, 4);
    auto* right = new QWidget;
    right->setObjectName("findingSide");
    right->setFixedWidth(330);
    auto* column = new QVBoxLayout(right);
    column->setContentsMargins(0, 8, 0, 0);
    rules_title_ = new QLabel;
    rules_title_->setObjectName("groupTitle");
    rules_title_->setContentsMargins(12, 0, 12, 2);
    column->addWidget(rules_title_);
    rules_ = new RuleList;
    column->addWidget(rules_, 1);
    auto* accepting = new QHBoxLayout;
    accepting->setContentsMargins(12, 6, 12, 8);
    note_ = new QLineEdit;
    note_->setObjectName("airNote");
    note_->setPlaceholderText(tr("Why it is accepted"));
    accept_ = new QPushButton;
    accept_->setObjectName("airAccept");
    accepting->addWidget(note_, 1);
    accepting->addWidget(accept_);
    column->addLayout(accepting);
    connect(accept_, &QPushButton::clicked, this, &OnAirPage::accept_rule);
    connect(note_, &QLineEdit::returnPressed, this, &OnAirPage::accept_rule);
    connect(note_, &QLineEdit::textChanged, this, [this] { show_rule(rules_->currentRow()); });
    columns->addWidget(right);
    view_->sortByColumn(HeardTable::primary, Qt::AscendingOrder);
    connect(view_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
            [this](const QModelIndex& now) {
                if (!choosing_ && now.isValid())
                    choose(static_cast<std::size_t>(filter_->mapToSource(now).row()));
            });
    connect(board_, &AirBoard::chosen, this, [this](std::size_t network) { choose(network); });
    connect(rules_, &QListWidget::currentRowChanged, this, [this](int row) {
        show_rule(row);
        if (choosing_ || row < 0) return;
        const AuditLine& line = rules_->lines()[static_cast<std::size_t>(row)];
        if (!line.networks.empty()) choose(line.networks.front());
    });
    listen(this, &OnAirPage::refresh, workspace_.document(), &Document::opened);
    connect(&behind_, &Behind::progressed, this, [this] {
        refresh();
        emit progressed();
    });
    refresh();
}

OnAirPage::~OnAirPage() { behind_.disconnect(); }

QWidget* OnAirPage::build_head() {
    auto* head = new QWidget;
    head->setFixedHeight(44);
    auto* row = new QHBoxLayout(head);
    row->setContentsMargins(14, 0, 14, 0);
    row->setSpacing(8);
    title_ = new QLabel(tr("On the air"));
    title_->setObjectName("title");
    row->addWidget(title_);
    summary_ = new QLabel;
    summary_->setObjectName("muted");
    row->addWidget(summary_, 1);
    country_ = new QComboBox;
    country_->setObjectName("airCountry");
    country_->setAccessibleName(tr("Country"));
    for (const auto& [code, name] : countries) country_->addItem(tr(name), QString(code));
    connect(country_, &QComboBox::activated, this, [this] { hold_to_rules(); });
    row->addWidget(country_);
    put_ = new QPushButton(tr("Put on a plan…"));
    put_->setObjectName("airPut");
    put_->setToolTip(tr("Choose on the plan where this was heard: its radios count as neighbours there"));
    connect(put_, &QPushButton::clicked, this, &OnAirPage::put_on_plan);
    row->addWidget(put_);
    export_ = new QPushButton(tr("Export table…"));
    export_->setObjectName("airExport");
    connect(export_, &QPushButton::clicked, this, &OnAirPage::export_table);
    row->addWidget(export_);
    open_ = new QPushButton(tr("Open a capture…"));
    open_->setObjectName("airOpen");
    connect(open_, &QPushButton::clicked, this, &OnAirPage::ask_for_file);
    row->addWidget(open_);
    return head;
}

QWidget* OnAirPage::build_filter() {
    auto* bar = new QWidget;
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(12, 4, 12, 6);
    row->setSpacing(8);
    words_ = new QLineEdit;
    words_->setObjectName("airFilter");
    words_->setPlaceholderText(tr("Show only rows with…"));
    words_->setFixedWidth(200);
    connect(words_, &QLineEdit::textChanged, this, [this](const QString& t) { filter_->show_words(t); });
    row->addWidget(words_);
    bands_ = new QButtonGroup(this);
    auto* group = new QHBoxLayout;
    group->setSpacing(0);
    const auto add = [&](int id, const QString& text, const QString& name) {
        auto* button = new QToolButton;
        button->setObjectName("segment");
        button->setText(text);
        button->setAccessibleName(name);
        button->setCheckable(true);
        button->setChecked(id == -1);
        bands_->addButton(button, id + 1);
        group->addWidget(button);
    };
    add(-1, tr("All"), tr("All bands"));
    for (const Band& b : bands())
        add(b.id.index, render::local(b.name), tr("%1 GHz").arg(render::local(b.name)));
    connect(bands_, &QButtonGroup::idClicked, this, [this](int id) { filter_->show_band(id - 1); });
    row->addLayout(group);
    row->addStretch(1);
    auto* note = new QLabel(tr("median level over the whole capture, use as the radio tells it"));
    note->setObjectName("muted");
    row->addWidget(note);
    return bar;
}

void OnAirPage::ask_for_file() {
    const QString file = asking_.open_file(tr("Open a capture"), tr("Captures (*.pcap *.pcapng *.cap)"));
    if (!file.isEmpty()) open(file);
}

void OnAirPage::open(const QString& file) {
    behind_.request(job(
        tr("Reading %1").arg(QFileInfo(file).fileName()),
        [file](const AtWork& at) {
            return std::make_shared<const HeardAir>(read_capture(std::filesystem::path(file.toStdU16String()),
                                                                 at.cancel(),
                                                                 [&](double share) { at.tell(share); }));
        },
        [this, file](const std::shared_ptr<const HeardAir>& air) { show_air(file, air); },
        [this](const QString& why) { workspace_.tell(why, true); }));
    refresh();
}

/// The country that most radios tell; the project's where none does.
static QString country_told(const HeardAir& air, const QString& otherwise) {
    std::map<std::string, int> votes;
    for (const HeardNetwork& n : air.networks)
        if (n.country.size() == 2 && Regulation::standard().knows(n.country)) ++votes[n.country];
    const auto most = std::ranges::max_element(votes, {}, [](const auto& v) { return v.second; });
    return most == votes.end() ? otherwise : QString::fromStdString(most->first);
}

void OnAirPage::show_air(const QString& file, std::shared_ptr<const HeardAir> air) {
    file_ = file;
    air_ = std::move(air);
    model_->show(air_);
    const QString here = workspace_.document().is_open()
                             ? QString::fromStdString(workspace_.project().settings.country)
                             : "GB";
    const int at = country_->findData(country_told(*air_, here));
    country_->setCurrentIndex(std::max(0, at >= 0 ? at : country_->findData("GB")));
    hold_to_rules();
    refresh();
}

void OnAirPage::hold_to_rules() {
    if (!air_) return;
    const std::string country = country_->currentData().toString().toStdString();
    board_->show_air(air_, country);
    choosing_ = true;
    rules_->show_lines(audit(*air_, country), notes());
    choosing_ = false;
    model_->mark_failed(rules_->lines());
    int counts[4] = {}, accepted = 0;
    for (const AuditLine& l : rules_->lines())
        ++(rules_->accepted(l) ? accepted : counts[static_cast<int>(l.outcome)]);
    QString title = tr("Rules: %1 fail, %2 near, %3 hold").arg(counts[0]).arg(counts[1]).arg(counts[2]);
    if (accepted > 0) title += ", " + tr("%1 accepted").arg(accepted);
    rules_title_->setText(title);
    show_rule(rules_->currentRow());
}

std::optional<std::size_t> OnAirPage::chosen() const {
    const QModelIndex now = view_->selectionModel()->currentIndex();
    return now.isValid() ? std::optional(static_cast<std::size_t>(filter_->mapToSource(now).row()))
                         : std::nullopt;
}

void OnAirPage::choose(std::optional<std::size_t> network) {
    if (!air_ || !network) return;
    choosing_ = true;
    const QModelIndex row = filter_->mapFromSource(model_->index(static_cast<int>(*network), 0));
    if (row.isValid()) {
        view_->setCurrentIndex(row);
        view_->scrollTo(row);
    }
    choosing_ = false;
    board_->choose(network);
    const HeardNetwork& n = air_->networks[*network];
    QStringList parts;
    for (std::size_t other : sharing_air(*air_, *network)) {
        if (parts.size() == 4) {
            parts << QStringLiteral("…");
            break;
        }
        const HeardNetwork& o = air_->networks[other];
        parts << tr("%1 (%2, %3 dBm)")
                     .arg(network_name(o), render::local(short_channel_text(o.primary, o.channel.width_mhz)),
                          render::figure(o.signal_dbm.value_or(-200), 0));
    }
    beside_->setText(tr("%1, %2 to %3 MHz: %4")
                         .arg(network_name(n), render::figure(low_mhz(n.channel), 0),
                              render::figure(high_mhz(n.channel), 0),
                              parts.isEmpty() ? tr("shares its spectrum with nobody heard here")
                                              : tr("shares its spectrum with %1").arg(parts.join(", "))));
}

/// Notes stay with the capture on this machine: it is no project that could hold them.
QString OnAirPage::place_of_notes() const {
    return QString("onAir/%1-%2").arg(static_cast<qint64>(air_->begins_s * 1000)).arg(air_->frames);
}

std::map<QString, QString> OnAirPage::notes() const {
    QSettings settings;
    settings.beginGroup(place_of_notes());
    std::map<QString, QString> out;
    for (const QString& rule : settings.childKeys()) out[rule] = settings.value(rule).toString();
    return out;
}

void OnAirPage::show_rule(int row) {
    const bool any = row >= 0 && static_cast<std::size_t>(row) < rules_->lines().size();
    const AuditLine* line = any ? &rules_->lines()[static_cast<std::size_t>(row)] : nullptr;
    const bool accepted = line && rules_->accepted(*line);
    const bool breaks = line && (line->outcome == AuditOutcome::fails || line->outcome == AuditOutcome::near);
    note_->setVisible(breaks && !accepted);
    accept_->setVisible(breaks);
    accept_->setText(accepted ? tr("No longer accepted") : tr("Accept"));
    accept_->setEnabled(accepted || !note_->text().trimmed().isEmpty());
}

void OnAirPage::accept_rule() {
    const int row = rules_->currentRow();
    if (!air_ || row < 0) return;
    const AuditLine& line = rules_->lines()[static_cast<std::size_t>(row)];
    const QString key = place_of_notes() + "/" + QString::fromStdString(std::string(line.key));
    if (rules_->accepted(line))
        QSettings().remove(key);
    else if (const QString note = note_->text().trimmed().left(500); !note.isEmpty())
        QSettings().setValue(key, note);
    note_->clear();
    hold_to_rules();
    rules_->setCurrentRow(row);
}

void OnAirPage::put_on_plan() {
    if (!air_ || !workspace_.floor()) return;
    emit left();
    workspace_.activity().set_step(Step::spectrum);
    workspace_.activity().set_tool(ToolId::listening_place);
    workspace_.next().change([this](NextKinds& next) {
        next.heard = air_;
        next.heard_from = QFileInfo(file_).completeBaseName().toStdString();
    });
}

void OnAirPage::export_table() {
    if (!air_) return;
    const QString file = asking_.save_file(tr("Export table"), QFileInfo(file_).completeBaseName() + ".csv",
                                           tr("Tables (*.csv)"));
    if (file.isEmpty()) return;
    const auto cell = [](QString words) {
        // a spreadsheet takes what begins with these for a formula: a name on the air may be anybody's
        if (!words.isEmpty() && QStringLiteral("=+@").contains(words[0])) words.prepend('\'');
        return '"' + words.replace('"', "\"\"") + '"';
    };
    QStringList lines;
    const auto line = [&](const auto& words_in) {
        QStringList cells;
        for (int c = 0; c < HeardTable::column_count; ++c) cells << cell(words_in(c));
        lines << cells.join(',');
    };
    line([&](int c) { return model_->headerData(c, Qt::Horizontal, Qt::DisplayRole).toString(); });
    for (int r = 0; r < filter_->rowCount(); ++r)
        line([&](int c) { return filter_->index(r, c).data().toString().replace(QChar(0x2212), '-'); });
    QSaveFile out(file);
    const QByteArray bytes = lines.join("\r\n").toUtf8() + "\r\n";
    if (!out.open(QIODevice::WriteOnly) || out.write(bytes) != bytes.size() || !out.commit())
        return workspace_.tell(
            tr("%1 could not be written: %2").arg(QFileInfo(file).fileName(), out.errorString()), true);
    workspace_.tell(counted("Wrote %n row", "Wrote %n rows", filter_->rowCount()));
}

QString OnAirPage::summary() const { return summary_->text(); }

void OnAirPage::refresh() {
    const bool any = air_ != nullptr;
    view_->setVisible(any);
    empty_->setVisible(!any);
    board_->setVisible(any);
    beside_->setVisible(any);
    export_->setEnabled(any);
    put_->setEnabled(any && workspace_.document().is_open() && workspace_.floor());
    if (!any) {
        rules_title_->setText(tr("Rules"));
        show_rule(-1);
    }
    if (!behind_.is_idle()) return summary_->setText(behind_.words());
    if (!any) return summary_->setText(tr("a place without drawings, from a packet capture"));
    QStringList parts{QFileInfo(file_).fileName()};
    parts << QLocale().toString(QDateTime::fromSecsSinceEpoch(static_cast<qint64>(air_->begins_s)),
                                QLocale::ShortFormat);
    parts << tr("%1 s").arg(render::figure(air_->lasts_s, 0));
    parts << counted("%n frame", "%n frames", air_->frames);
    parts << counted("%n radio", "%n radios", air_->radios.size());
    parts << counted("%n client", "%n clients", air_->clients.size());
    summary_->setText(parts.join(", "));
    QStringList warnings;
    for (const Said& w : air_->warnings) warnings << said_text(w);
    summary_->setToolTip(warnings.join("\n"));
    if (!warnings.isEmpty()) summary_->setText(summary_->text() + "; " + warnings.front());
}

void OnAirPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void OnAirPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app

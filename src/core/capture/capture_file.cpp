// SPDX-License-Identifier: GPL-3.0-or-later
#include <pcap.h>
#include <tins/packet.h>
#include <tins/rawpdu.h>
#include <tins/sniffer.h>

#include <filesystem>

#include "capture/capture.h"

namespace yemvo {
namespace {

const char* const remedy = mark("Open a capture of the pcap or pcapng format, made in monitor mode");

std::unique_ptr<Tins::FileSniffer> opened(const std::filesystem::path& file) {
    std::error_code error;
    if (std::filesystem::is_directory(file, error))
        throw Error(say("is a folder"), file.string(), said_mark(remedy));
    if (!std::filesystem::exists(file, error))
        throw Error(say("there is no such file"), file.string(), say("Check the name"));
    if (std::filesystem::file_size(file, error) == 0 && !error)
        throw Error(say("the file is empty"), file.string(), said_mark(remedy));
    try {
        Tins::SnifferConfiguration how;
        return std::make_unique<Tins::FileSniffer>(file.string(), how);
    } catch (const std::exception&) {
        throw Error(say("is no capture that can be read"), file.string(), said_mark(remedy));
    }
}

void check_link(int link, const std::filesystem::path& file) {
    if (link == link_bare || link == link_radiotap || link == link_packet_information) return;
    const char* name = pcap_datalink_val_to_name(link);
    throw Error(
        say("its frames are of the link %1, not of 802.11", name ? std::string(name) : std::to_string(link)),
        file.string(), say("Capture in monitor mode, with radiotap headers"));
}

}  // namespace

HeardAir read_capture(const std::filesystem::path& file, const CancelToken& cancel,
                      const std::function<void(double)>& progress) {
    const auto sniffer = opened(file);
    sniffer->set_extract_raw_pdus(true);
    const int link = sniffer->link_type();
    check_link(link, file);
    std::error_code error;
    const double size = static_cast<double>(std::filesystem::file_size(file, error));
    pcap_t* handle = sniffer->get_pcap_handle();
    AirListener listener;
    for (std::size_t count = 0;; ++count) {
        if ((count & 1023) == 0) {
            cancel.check();
            if (std::FILE* at = pcap_file(handle); at && progress && size > 0)
                progress(static_cast<double>(std::ftell(at)) / size);
        }
        Tins::Packet packet = sniffer->next_packet();
        if (!packet) break;
        const auto* raw = packet.pdu()->find_pdu<Tins::RawPDU>();
        if (!raw) continue;
        const auto& time = packet.timestamp();
        listener.hear(link, FrameBytes(raw->payload().data(), raw->payload().size()),
                      static_cast<double>(time.seconds()) + static_cast<double>(time.microseconds()) * 1e-6);
    }
    if (const char* fault = pcap_geterr(handle); fault && *fault) listener.note_cut_off();
    HeardAir air = listener.result();
    if (air.frames == 0 && air.warnings.empty())
        throw Error(say("holds no frame"), file.string(), said_mark(remedy));
    return air;
}

}  // namespace yemvo
